namespace KiteLine.Core;

/// <summary>Posting of a receipt with its allocations.</summary>
public static class ReceiptPosting
{
    /// <summary>
    /// The receipt becomes a credit item that its allocations use up; discounts and differences go to accounts of their
    /// own. The bank line is always what the bank received.
    /// </summary>
    /// <param name="taxShare">For each item, tax as a fraction of its document's gross amount; null when the company
    /// does not adjust output tax for settlement discounts.</param>
    /// <param name="method">How it came in; its own account takes the cash where it has one.</param>
    public static Posting Of(Payment payment, DateOnly postingDate, string reference, Func<Item, decimal>? taxShare = null, PaymentMethod? method = null)
    {
        ArgumentNullException.ThrowIfNull(payment);
        var currency = payment.Cash.Currency;
        var zero = Money.Zero(currency);
        var movements = new List<ItemMovement>();
        var discountTax = zero;
        foreach (var line in payment.Lines)
        {
            var s = line.Settlement;
            Add(line.Item, MovementKind.Cash, s.Cash);
            Add(line.Item, MovementKind.Discount, s.Discount);
            Add(line.Item, MovementKind.WriteOff, s.WriteOff);
            if (taxShare is not null) discountTax += Money.Round(s.Discount.Amount * taxShare(line.Item), currency);
        }

        var opened = new List<Movement> { new(MovementKind.Opened, payment.ValueDate, -payment.Cash) };
        if (!payment.Allocated.IsZero) opened.Add(new(MovementKind.Cash, payment.ValueDate, payment.Allocated));
        return new Posting
        {
            Kind = PostingKind.Receipt,
            PostingDate = postingDate,
            Text = "Receipt",
            Documents =
            [
                new()
                {
                    Kind = ItemKind.Receipt, Date = payment.ValueDate, Net = payment.Cash, Tax = zero, NotDiscountable = zero,
                    Reference = reference, PaymentMethod = method?.Code ?? "",
                    ClearsOn = method is { ClearingDays: > 0 } ? payment.ValueDate.AddDays(method.ClearingDays) : null, Items = [new(1, payment.ValueDate, opened)],
                },
            ],
            Movements = movements,
            Lines = [new JournalLine(PostingPurpose.Bank, payment.Cash, method?.Account ?? ""), .. Posting.Journal(
                (PostingPurpose.DiscountsAllowed, payment.Discount - discountTax),
                (PostingPurpose.OutputTax, discountTax),
                (PostingPurpose.SmallDifferences, payment.WriteOff),
                (PostingPurpose.Receivables, -(payment.Allocated + payment.Discount + payment.WriteOff)),
                (PostingPurpose.CashOnAccount, -payment.OnAccount))],
        }.Checked();

        void Add(Item item, MovementKind kind, Money amount)
        {
            if (!amount.IsZero) movements.Add(new(item.Id, new(kind, payment.ValueDate, -amount)));
        }
    }
}
