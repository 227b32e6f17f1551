using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>How an entry of a bank statement, or an unassigned receipt, is placed on an account.</summary>
/// <param name="Account">Its code.</param>
/// <param name="Items">What it settles, by item, with the decisions on each; null for what is proposed.</param>
/// <param name="Reason">Needed where a discount that was not earned is allowed, or more than the allowance written
/// off.</param>
/// <param name="Filled">Whether the items are still those that were proposed as the oldest.</param>
/// <param name="KeepOver">Whether what was paid beyond the items stays on account, also where a reminder showed it.</param>
/// <param name="Learn">Whether the payer's bank account is from now on known to be this customer's.</param>
public sealed record EntryPlacement(
    string Account,
    IReadOnlyDictionary<long, PaymentChoice>? Items,
    string Reason = "",
    bool Learn = true,
    bool Filled = false,
    bool KeepOver = false
);
