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
    /// <summary>The item with its discounts, and with what they rest on.</summary>
    public Item On(Item item, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(item);
        return item with
        {
            Discounts = ItemDiscounts.Of(
                Terms,
                Amounts,
                Date,
                Instalment,
                item.Opened,
                Shared,
                Calendar,
                rounding,
                Credits
            ),
            Credits =
                Credits.Count == 0
                    ? []
                    : [.. Credits.Where(c => c.Item == item.Id).Select(c => (c.ValueDate, c.Amount))],
            PartPayments = Terms.Conditions.PartPayments,
        };
    }
}
