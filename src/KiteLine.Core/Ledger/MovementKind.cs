namespace KiteLine.Core;

/// <summary>
/// Why an item's open amount changed. A reversal bears the kind of what it undoes, so that sums by kind are right; and so
/// does what is moved to another account, of which it is as if it had never come.
/// </summary>
public enum MovementKind
{
    /// <summary>The item came into being.</summary>
    Opened,

    /// <summary>Cash, or cash left on account, was set against it.</summary>
    Cash,

    /// <summary>An early-payment discount was given.</summary>
    Discount,

    /// <summary>A difference was written off.</summary>
    WriteOff,

    /// <summary>A credit note was set against it. That is no payment: it never counts as days to pay.</summary>
    SetOff,
}
