using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What became of an order of a file: <c>approved</c>, <c>held</c> or <c>refused</c>.</summary>
internal sealed record OrderFileRow(
    long Row,
    string Account,
    string Number,
    string Outcome,
    CheckView? Check,
    IReadOnlyList<ExchangeProblem> Problems
);
