using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A receipt that was taken by hand.</summary>
public sealed record HandReceipt
{
    /// <summary>The entry that posted it.</summary>
    public long Posting { get; init; }

    /// <summary>Its number.</summary>
    public string Number { get; init; } = "";

    /// <summary>The customer's account.</summary>
    public string AccountCode { get; init; } = "";

    /// <summary>Its name.</summary>
    public string AccountName { get; init; } = "";

    /// <summary>The day from which the money counts.</summary>
    public DateOnly Date { get; init; }

    /// <summary>What stands on it, such as the number of a cheque.</summary>
    public string Reference { get; init; } = "";

    /// <summary>Code of the method by which it was taken.</summary>
    public string Method { get; init; } = "";

    /// <summary>Of the amount.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>In minor units.</summary>
    public long Amount { get; init; }

    /// <summary>Whether it was reversed.</summary>
    public bool Reversed { get; init; }
}
