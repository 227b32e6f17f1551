using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record AllocationAnswer(
    AllocationRule Rule,
    decimal Confidence,
    IReadOnlyList<AllocationLineView> Lines,
    Money OnAccount,
    IReadOnlyList<AllocationFindingView> Findings,
    IReadOnlyList<Working> Workings
);
