using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A statement of account, by value: opening plus debits less credits is the closing balance, and that is the sum
/// of what is open.</summary>
/// <param name="Due">What is due by the last day, credits of those days taken off; never below zero.</param>
/// <param name="NotDue">What of the closing balance is not due yet.</param>
internal sealed record AccountStatementView(
    DateOnly From,
    DateOnly To,
    string Currency,
    Money Opening,
    Money Closing,
    Money Debits,
    Money Credits,
    Money Due,
    Money NotDue,
    IReadOnlyList<AccountStatementLineView> Movements,
    IReadOnlyList<BucketView> Ageing,
    IReadOnlyList<AccountStatementItemView> Open
);
