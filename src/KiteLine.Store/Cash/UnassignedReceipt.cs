using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Money that is in the books and whose payer is not known.</summary>
/// <param name="Posting">The posting that brought it in.</param>
public sealed record UnassignedReceipt(
    long Id,
    long Posting,
    IncomingMoney Money,
    string Payer,
    string PayerAccount,
    string PostedBy,
    DateOnly PostedOn
);
