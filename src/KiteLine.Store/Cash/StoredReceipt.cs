using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A receipt in the books.</summary>
/// <param name="Amount">What was paid, in minor units.</param>
/// <param name="Moved">What of it was moved to other accounts, in minor units.</param>
/// <param name="OnAccount">What no document took of it and is on account now, in minor units.</param>
/// <param name="Method">Code of the payment method; empty where none is known.</param>
public sealed record StoredReceipt(
    Account Account,
    string Number,
    DateOnly Date,
    long Amount,
    long Moved,
    string Method,
    string Reference,
    bool Reversed,
    long OnAccount
);
