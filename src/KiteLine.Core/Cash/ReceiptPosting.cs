namespace KiteLine.Core;

/// <summary>Posting of a receipt with its allocations.</summary>
public static class ReceiptPosting
{
    /// <summary>
    /// The receipt becomes a credit item that its allocations use up; credits used with it settle what is due first.
    /// Discounts and differences go to accounts of their own, what the bank kept to small differences. The bank line is
    /// always what the bank received.
    /// </summary>
    /// <param name="taxOf">The tax part of a discount on an item; asked only where the company adjusts output tax for
    /// settlement discounts.</param>
    public static Posting Of(Payment payment, ReceiptOrigin origin, Func<Item, Money, Money> taxOf, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(payment);
        ArgumentNullException.ThrowIfNull(origin);
        ArgumentNullException.ThrowIfNull(taxOf);
        ArgumentNullException.ThrowIfNull(rules);
        var currency = payment.Cash.Currency;
        var zero = Money.Zero(currency);
        var discountTax = rules.AdjustTaxOnDiscount
            ? payment.Lines.Aggregate(zero, (sum, l) => sum + taxOf(l.Item, l.Settlement.Discount))
            : zero;
        var onAccountBefore = payment
            .Credits.Where(c => c.Item.Kind == ItemKind.Receipt)
            .Aggregate(zero, (sum, c) => sum + c.Amount);
        var settled = payment.Allocated + onAccountBefore + payment.Discount + payment.WriteOff;
        return new Posting
        {
            Kind = PostingKind.Receipt,
            PostingDate = rules.Today,
            Text = origin.MovedFrom.Length > 0 ? $"Receipt, moved from {origin.MovedFrom}" : "Receipt",
            Documents =
            [
                new()
                {
                    Kind = ItemKind.Receipt,
                    Date = payment.ValueDate,
                    Net = payment.Paid,
                    Tax = zero,
                    NotDiscountable = zero,
                    Reference = origin.Reference,
                    PaymentMethod = origin.Method?.Code ?? "",
                    ClearsOn = origin.ClearsOn,
                    Items = [new(1, payment.ValueDate, [new(MovementKind.Opened, payment.ValueDate, -payment.Paid)])],
                },
            ],
            Allocations = Allocations(payment, zero),
            Lines =
            [
                new JournalLine(
                    origin.From,
                    payment.Cash,
                    origin.From == PostingPurpose.Bank ? origin.Method?.Account ?? "" : ""
                ),
                .. Posting.Journal(
                    (PostingPurpose.DiscountsAllowed, payment.Discount - discountTax),
                    (PostingPurpose.OutputTax, discountTax),
                    (PostingPurpose.SmallDifferences, payment.WriteOff + payment.Charges),
                    (PostingPurpose.Receivables, -settled),
                    (PostingPurpose.CashOnAccount, onAccountBefore - payment.OnAccount)
                ),
            ],
        }.Checked();
    }

    private static List<NewAllocation> Allocations(Payment payment, Money zero)
    {
        var credits = new Stack<UsedCredit>(payment.Credits.Reverse());
        var allocations = new List<NewAllocation>();
        foreach (var line in payment.Lines)
        {
            var (need, s) = (line.Settlement.Cash, line.Settlement);
            while (!need.IsZero && credits.TryPop(out var credit))
            {
                var taken = Money.Min(need, credit.Amount);
                var from = Later(payment.ValueDate, Later(credit.Item.Date, line.Item.Date));
                allocations.Add(
                    new(credit.Item.Id, line.Item.Id, Allocation.KindOf(credit.Item.Kind), from, taken, zero, zero)
                );
                need -= taken;
                if (taken < credit.Amount)
                    credits.Push(credit with { Amount = credit.Amount - taken });
            }

            // Money that came before the document has value for it from the document's date on.
            if (!need.IsZero || !s.Discount.IsZero || !s.WriteOff.IsZero)
                allocations.Add(
                    new(
                        null,
                        line.Item.Id,
                        MovementKind.Cash,
                        Later(payment.ValueDate, line.Item.Date),
                        need,
                        s.Discount,
                        s.WriteOff
                    )
                );
        }

        return allocations;
    }

    private static DateOnly Later(DateOnly a, DateOnly b) => a > b ? a : b;
}
