using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ReminderPlanRequest(
    string? Code,
    string? Name,
    IReadOnlyList<ReminderLevelShape>? Levels,
    string? Reason,
    int? MostReminders = null,
    bool? AllowJumps = null,
    bool? LetterPerLevel = null
);
