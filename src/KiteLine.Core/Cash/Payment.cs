namespace KiteLine.Core;

/// <summary>One item the controller chose for a payment, with the decision on its discount.</summary>
/// <param name="WriteOffRest">What would stay open is written off, whatever the allowance; that takes authority.</param>
public sealed record ChosenItem(Item Item, DiscountChoice Discount = DiscountChoice.Proposed, bool WriteOffRest = false);

/// <summary>What a payment does to one item.</summary>
/// <param name="Offered">The discount in force on the value date that the payment could have used, or null.</param>
public sealed record PaymentLine(Item Item, Money Open, ItemSettlement Settlement, ItemDiscount? Offered);

/// <summary>How one receipt settles the items chosen for it, oldest due first.</summary>
/// <param name="Cash">What the bank received.</param>
/// <param name="OnAccount">What no item took; it stays on the account as a credit.</param>
public sealed record Payment(Money Cash, DateOnly ValueDate, IReadOnlyList<PaymentLine> Lines, Money OnAccount)
{
    /// <summary>
    /// Works out a payment. When the cash covers every item in full no discount is used unless granted. Otherwise each
    /// item, oldest due first, takes what it needs less the discount in force, and the last one that cash reaches is
    /// settled by the rules of <see cref="ItemSettlement"/>, allowance included.
    /// </summary>
    /// <exception cref="ArgumentException">The cash is not above zero, or an item is not open on the value date.</exception>
    public static Payment Of(Money cash, DateOnly valueDate, IEnumerable<ChosenItem> chosen, ShortPayAllowance allowance)
    {
        ArgumentNullException.ThrowIfNull(chosen);
        if (cash.Minor <= 0) throw new ArgumentException("A payment is above zero.", nameof(cash));
        var zero = Money.Zero(cash.Currency);
        var items = chosen.OrderBy(c => c.Item.Due).ThenBy(c => c.Item.Id).ToArray();
        var open = items.Select(c => c.Item.OpenAt(DateOnly.MaxValue)).ToArray();
        if (open.Any(o => o.Minor <= 0)) throw new ArgumentException("An item with nothing open cannot be paid.", nameof(chosen));

        var paidInFull = cash >= open.Aggregate(zero, (a, b) => a + b);
        var left = cash;
        var lines = new List<PaymentLine>();
        for (var i = 0; i < items.Length; i++)
        {
            var item = items[i].Item;
            var choice = items[i].Discount;
            var inForce = item.DiscountOn(valueDate);
            // A granted discount counts as in force on the value date whenever its deadline was.
            var usable = choice switch
            {
                DiscountChoice.Refuse => [],
                DiscountChoice.Grant => Granted(item, valueDate, open[i]),
                _ => item.DiscountsLeft,
            };
            ItemSettlement settlement;
            if (left.IsZero)
            {
                settlement = new(zero, zero, zero, open[i], zero, [new ReceiptFinding.Short(open[i])]);
            }
            else
            {
                var need = open[i] - BestOf(usable, valueDate, zero);
                // Only the last item that cash reaches sees more or less than it needs; the others take their part.
                var offered = paidInFull && choice != DiscountChoice.Grant ? Money.Min(left, open[i])
                    : i < items.Length - 1 && left > need ? need
                    : choice == DiscountChoice.Grant && left >= open[i] ? need
                    : Money.Min(left, open[i]);
                settlement = ItemSettlement.Of(offered, open[i], usable, valueDate, allowance, item.PartPayments);
                left -= settlement.Cash;
            }

            if (items[i].WriteOffRest) settlement = settlement with { WriteOff = settlement.WriteOff + settlement.StaysOpen, StaysOpen = zero, Findings = [.. settlement.Findings.Where(f => f is not ReceiptFinding.Short)] };
            lines.Add(new(item, open[i], settlement, inForce));
        }

        return new(cash, valueDate, lines, left);
    }

    /// <summary>Sum of the discounts used.</summary>
    public Money Discount => Lines.Aggregate(Money.Zero(Cash.Currency), (sum, l) => sum + l.Settlement.Discount);

    /// <summary>Sum written off.</summary>
    public Money WriteOff => Lines.Aggregate(Money.Zero(Cash.Currency), (sum, l) => sum + l.Settlement.WriteOff);

    /// <summary>Cash that was set against items.</summary>
    public Money Allocated => Cash - OnAccount;

    private static IReadOnlyList<ItemDiscount> Granted(Item item, DateOnly valueDate, Money open)
    {
        var best = item.DiscountOn(valueDate) ?? item.DiscountsLeft.Where(d => d.LastDay < valueDate).MaxBy(d => d.LastDay);
        return best is null ? [] : [best with { Deadline = valueDate, GraceDays = 0, Amount = Money.Min(best.Amount, open) }];
    }

    private static Money BestOf(IReadOnlyList<ItemDiscount> discounts, DateOnly valueDate, Money zero) =>
        discounts.Where(d => d.LastDay >= valueDate).Select(d => d.Amount).Append(zero).Max();
}
