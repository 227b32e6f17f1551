namespace KiteLine.Core;

/// <summary>
/// An open item as cash with value on a day finds it. What the customer owed, and which discounts were offered, are those
/// of the value date, whatever was posted since; only what is open today can be settled.
/// </summary>
/// <param name="Open">What is open today; below zero for a credit.</param>
/// <param name="Owed">What was open by value on the value date; at least what is open today.</param>
/// <param name="Discounts">The discounts that could still be had on the value date, also those whose last day has
/// passed.</param>
/// <param name="ValueDate">The day the cash has value.</param>
/// <param name="PartPayments">Whether a part payment inside the window earns its share.</param>
/// <param name="BeforeDocument">Whether the value date lies before the document's own date; then no discount is
/// earned.</param>
public sealed record ItemNeed(
    Money Open,
    Money Owed,
    IReadOnlyList<ItemDiscount> Discounts,
    DateOnly ValueDate,
    bool PartPayments = false,
    bool BeforeDocument = false
)
{
    /// <summary>An item of which nothing moved since the value date.</summary>
    public ItemNeed(Money open, IReadOnlyList<ItemDiscount> discounts, DateOnly valueDate, bool partPayments = false)
        : this(open, open, discounts, valueDate, partPayments) { }

    /// <summary>Whether it is a credit, which gives and takes nothing.</summary>
    public bool IsCredit => Open.Minor < 0;

    /// <summary>The discount in force on the value date, at most what was owed; null without any.</summary>
    public ItemDiscount? InForce => IsCredit || BeforeDocument ? null : ItemDiscount.Best(Discounts, ValueDate, Owed);

    /// <summary>Its amount; zero without any.</summary>
    public Money Discount => InForce?.Amount ?? Money.Zero(Open.Currency);

    /// <summary>What settles it on the value date: what is open less the discount in force; below zero for a credit.</summary>
    public Money ToPay => IsCredit ? Open : Open - Money.Min(Discount, Open);

    /// <summary>A discount whose last day had passed on the value date and that is just this much; null for none.</summary>
    internal ItemDiscount? Ended(Money amount) =>
        Discounts.Where(d => d.LastDay < ValueDate && d.Amount == amount).MaxBy(d => d.LastDay);

    /// <summary>The same without any discount that it could take.</summary>
    internal ItemNeed WithoutDiscount() => this with { Discounts = [] };
}
