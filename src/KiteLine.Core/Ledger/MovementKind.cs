namespace KiteLine.Core;

/// <summary>Why an item's open amount changed. A reversal bears the kind of what it undoes, so that sums by kind are right.</summary>
public enum MovementKind
{
    /// <summary>The item came into being.</summary>
    Opened,

    /// <summary>Cash, or an amount on account, was set against it.</summary>
    Cash,

    /// <summary>An early-payment discount was given.</summary>
    Discount,

    /// <summary>A small difference was written off.</summary>
    WriteOff,
}
