using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="On">The day up to which payments count, by value.</param>
internal sealed record ReminderResultsView(
    DateOnly From,
    DateOnly To,
    DateOnly On,
    string? Plan,
    IReadOnlyList<ReminderResultView> Items
);
