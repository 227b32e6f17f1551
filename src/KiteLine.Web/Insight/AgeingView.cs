using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Sums">Of all lines, not of the page alone.</param>
/// <param name="Journal">What the journal shows of all customers; empty where only some are asked for.</param>
internal sealed record AgeingView(
    DateOnly AsOf,
    DateOnly? Since,
    AgeingBasis Basis,
    AgeingKind By,
    IReadOnlyList<string> Buckets,
    int Total,
    IReadOnlyList<AgeingLineView> Items,
    IReadOnlyList<AgeingLineView> Sums,
    IReadOnlyList<AgeingJournalView> Journal
);
