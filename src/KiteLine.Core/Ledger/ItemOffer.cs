namespace KiteLine.Core;

/// <summary>What the document of an item says about discounts, from which the item's own follow.</summary>
/// <param name="Terms">Those of the document.</param>
/// <param name="Date">Of the document.</param>
/// <param name="Instalment">Which of the document's items it is, counted from 1.</param>
/// <param name="Shared">Whether the document has further items.</param>
/// <param name="Calendar">That the document was written under.</param>
/// <param name="Credits">What credit notes of the document were set against which of its items.</param>
public sealed record ItemOffer(
    Terms Terms,
    InvoiceAmounts Amounts,
    DateOnly Date,
    int Instalment,
    bool Shared,
    BusinessCalendar Calendar,
    IReadOnlyList<InvoiceCredit> Credits
)
{
    /// <summary>
    /// What held before each amendment of the invoice, in their order: the date of the amendment, the due date of this item
    /// and the terms before.
    /// </summary>
    public IReadOnlyList<(DateOnly Until, DateOnly Due, Terms Terms)> Former { get; init; } = [];

    /// <summary>The item with its discounts, and with what they rest on.</summary>
    public Item On(Item item, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(item);
        return item with
        {
            Discounts = Under(Terms),
            Former =
            [
                .. Former.Select(f => new FormerTerms(f.Until, f.Due, Under(f.Terms), f.Terms.Conditions.PartPayments)),
            ],
            Credits =
                Credits.Count == 0
                    ? []
                    : [.. Credits.Where(c => c.Item == item.Id).Select(c => (c.ValueDate, c.Amount))],
            PartPayments = Terms.Conditions.PartPayments,
        };

        IReadOnlyList<ItemDiscount> Under(Terms terms) =>
            ItemDiscounts.Of(terms, Amounts, Date, Instalment, item.Opened, Shared, Calendar, rounding, Credits);
    }
}
