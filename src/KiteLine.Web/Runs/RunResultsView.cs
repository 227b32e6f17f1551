namespace KiteLine.Web;

/// <summary>What came of a run since it was posted: of its letters, or of its charge documents.</summary>
/// <param name="On">The day up to which payments count, by value.</param>
internal sealed record RunResultsView(
    DateOnly On,
    IReadOnlyList<ReminderResultView> Letters,
    IReadOnlyList<ChargeResultView> Charges
);
