namespace KiteLine.Web;

internal sealed record ReminderPlanView(
    string Code,
    string Name,
    int Version,
    IReadOnlyList<ReminderLevelShape> Levels,
    int? MostReminders,
    bool AllowJumps,
    bool LetterPerLevel,
    long Uses,
    string MadeBy,
    string MadeAt
);
