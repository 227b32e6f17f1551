namespace KiteLine.Core;

/// <summary>What an early payment saves. A closed set of two.</summary>
public abstract record DiscountValue
{
    private DiscountValue() { }

    /// <summary>A percentage of the discount base, above 0 and below 100.</summary>
    public sealed record Percent(decimal Value) : DiscountValue;

    /// <summary>A fixed amount in the invoice's currency, in major units.</summary>
    public sealed record Amount(decimal Value) : DiscountValue;
}
