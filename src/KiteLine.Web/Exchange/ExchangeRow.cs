using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>
/// What a row of a file does, or would do: <c>new</c>, <c>changed</c>, <c>same</c> or <c>refused</c>.
/// </summary>
internal sealed record ExchangeRow(
    long Row,
    string Code,
    string Name,
    string Outcome,
    IReadOnlyList<AuditChange> Changes,
    IReadOnlyList<ExchangeProblem> Problems
);
