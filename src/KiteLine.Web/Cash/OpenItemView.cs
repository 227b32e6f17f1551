using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>An open item that a receipt could settle, or a credit that it could use.</summary>
/// <param name="Open">Credits are negative.</param>
/// <param name="InForce">The discount that the value date still earns.</param>
/// <param name="Discounts">All that it offers, passed or not.</param>
internal sealed record OpenItemView(
    long Id,
    string Document,
    ItemKind Kind,
    DateOnly Date,
    DateOnly Due,
    Money Open,
    Money? InForce,
    IReadOnlyList<ItemDiscountView> Discounts
)
{
    internal static OpenItemView Of(ItemDetail detail, AllocationItem item, DateOnly valueDate) =>
        new(
            detail.Item.Id,
            detail.Item.Document,
            detail.Item.Kind,
            detail.Item.Date,
            detail.Item.Due,
            item.Open,
            item.Need.InForce?.Amount,
            [
                .. item.Need.Discounts.Select(d => new ItemDiscountView(
                    d.Deadline,
                    d.LastDay,
                    d.LastDay.DayNumber - d.Deadline.DayNumber,
                    d.Amount,
                    d.LastDay >= valueDate && !item.Need.BeforeDocument
                )),
            ]
        );
}
