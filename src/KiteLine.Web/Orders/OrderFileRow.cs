using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What became of an order of a file.</summary>
internal sealed record OrderFileRow(
    long Row,
    string Account,
    string Number,
    OrderFileOutcome Outcome,
    CheckView? Check,
    IReadOnlyList<ExchangeProblem> Problems
);
