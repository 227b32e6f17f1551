using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What a row of a file does, or would do.</summary>
internal sealed record ExchangeRow(
    long Row,
    string Code,
    string Name,
    ExchangeOutcome Outcome,
    IReadOnlyList<AuditChange> Changes,
    IReadOnlyList<ExchangeProblem> Problems
);
