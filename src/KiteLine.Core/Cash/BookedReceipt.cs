namespace KiteLine.Core;

/// <summary>A receipt that came in by a bank statement and stands on a customer's account.</summary>
/// <param name="Posting">The receipt's posting.</param>
/// <param name="Account">Code of the customer's account.</param>
/// <param name="Document">The receipt's number.</param>
/// <param name="EndToEnd">The payer's own reference; empty for none.</param>
/// <param name="PayerAccount">The payer's bank account; empty for none.</param>
public sealed record BookedReceipt(
    long Posting,
    string Account,
    string AccountName,
    string Document,
    DateOnly ValueDate,
    Money Amount,
    string EndToEnd,
    string PayerAccount
);
