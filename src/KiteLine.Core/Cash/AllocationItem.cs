namespace KiteLine.Core;

/// <summary>An open item that a receipt may settle; a credit, of which less than nothing is open, may be used with it.</summary>
/// <param name="Id">Whatever the caller knows it by.</param>
/// <param name="Document">Its number, by which a remittance names it.</param>
/// <param name="Open">Not zero.</param>
/// <param name="Discounts">The discounts it offers, passed or not.</param>
public sealed record AllocationItem(
    string Id,
    string Document,
    DateOnly Due,
    Money Open,
    IReadOnlyList<ItemDiscount> Discounts
)
{
    /// <summary>An item of the books as a receipt that comes in now finds it: instalments bear the number of their
    /// document.</summary>
    public static AllocationItem Of(ItemDetail detail, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(detail);
        return new(
            detail.Item.Id.ToString(System.Globalization.CultureInfo.InvariantCulture),
            detail.Number,
            detail.Item.Due,
            detail.Item.Left,
            detail.Item.DiscountsLeft(DateOnly.MaxValue, rounding)
        )
        {
            Letters = detail.Letters,
        };
    }

    /// <summary>Numbers of reminders that asked for it: a remittance that names one of them names it.</summary>
    public IReadOnlyList<string> Letters { get; init; } = [];

    /// <summary>Whether it is a credit.</summary>
    public bool IsCredit => Open.Minor < 0;

    /// <summary>The item of the books that it was made of.</summary>
    public long ItemId => long.Parse(Id, System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>The largest discount whose last day has not passed, at most what is open; zero without any.</summary>
    public Money InForce(DateOnly valueDate) => BestInForce(valueDate)?.Amount ?? Money.Zero(Open.Currency);

    /// <summary>The same with its deadline; null without any.</summary>
    public ItemDiscount? BestInForce(DateOnly valueDate) =>
        !IsCredit && Discounts.Where(d => d.LastDay >= valueDate).MaxBy(d => d.Amount.Minor) is { } best
            ? best with
            {
                Amount = Money.Min(best.Amount, Open),
            }
            : null;
}
