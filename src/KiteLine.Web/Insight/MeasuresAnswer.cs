using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Amounts and days as decimal texts; null where a divisor is zero.</summary>
internal sealed record MeasuresAnswer(
    string Sales,
    string? Dso,
    string DsoCountBack,
    string? DsoBestPossible,
    string? AverageDaysDelinquent,
    string? CollectionEffectiveness,
    IReadOnlyList<FindingView> Findings,
    IReadOnlyList<Working> Workings
);
