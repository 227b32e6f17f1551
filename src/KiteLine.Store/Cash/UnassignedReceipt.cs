using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Money that is in the books and whose payer is not known.</summary>
/// <param name="Posting">The posting that brought it in, or took it off an account.</param>
/// <param name="MovedFrom">The receipt that it was a part of; null where it came from the bank.</param>
public sealed record UnassignedReceipt(
    long Id,
    long Posting,
    IncomingMoney Money,
    string Payer,
    string PayerAccount,
    string PostedBy,
    DateOnly PostedOn,
    MovedFrom? MovedFrom = null
);
