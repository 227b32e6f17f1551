using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>An entry of a stored bank statement, and what it became.</summary>
/// <param name="Posting">The posting it became; null where there is none that stands.</param>
/// <param name="Account">The account of that posting.</param>
/// <param name="Document">Number of the receipt, where it became one.</param>
/// <param name="Cleared">Whether it settled a refund or a slip, and is on no customer's account.</param>
/// <param name="Reason">Why it was put aside; empty where it was not.</param>
public sealed record StoredEntry(
    long Id,
    long StatementId,
    BankEntry Entry,
    EntryState State,
    long? Posting,
    string? Account,
    string? AccountName,
    string? Document,
    string Reason,
    bool Cleared
);
