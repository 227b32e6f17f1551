namespace KiteLine.Core;

/// <summary>What part of an invoice one instalment is. A closed set of three.</summary>
public abstract record InstalmentShare
{
    private InstalmentShare() { }

    /// <summary>A percentage of the invoice total, above 0 and at most 100.</summary>
    public sealed record Percent(decimal Value) : InstalmentShare;

    /// <summary>A fixed amount in the invoice's currency, in major units.</summary>
    public sealed record Amount(decimal Value) : InstalmentShare;

    /// <summary>Whatever the other instalments leave.</summary>
    public sealed record Remainder : InstalmentShare;
}
