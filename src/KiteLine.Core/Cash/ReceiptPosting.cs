namespace KiteLine.Core;

/// <summary>Posting of a receipt with its allocations.</summary>
public static class ReceiptPosting
{
    /// <summary>
    /// The receipt becomes a credit item that its allocations use up; discounts and differences go to accounts of their
    /// own. The bank line is always what the bank received.
    /// </summary>
    /// <param name="taxShare">For each item, tax as a fraction of its document's gross amount; asked only where the
    /// company
    /// adjusts output tax for settlement discounts.</param>
    /// <param name="method">How it came in; its own account takes the cash where it has one.</param>
    public static Posting Of(
        Payment payment,
        string reference,
        Func<Item, decimal> taxShare,
        PaymentMethod? method,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(payment);
        ArgumentNullException.ThrowIfNull(taxShare);
        ArgumentNullException.ThrowIfNull(rules);
        var currency = payment.Cash.Currency;
        var zero = Money.Zero(currency);
        var allocations = new List<NewAllocation>();
        var discountTax = zero;
        foreach (var line in payment.Lines)
        {
            var s = line.Settlement;
            // Money that came before the document has value for it from the document's date on.
            var from = line.Item.Date > payment.ValueDate ? line.Item.Date : payment.ValueDate;
            if (s.StaysOpen != line.Open)
                allocations.Add(new(null, line.Item.Id, MovementKind.Cash, from, s.Cash, s.Discount, s.WriteOff));
            if (rules.AdjustTaxOnDiscount)
                discountTax += rules.Round(s.Discount.Amount * taxShare(line.Item), currency);
        }

        return new Posting
        {
            Kind = PostingKind.Receipt,
            PostingDate = rules.Today,
            Text = "Receipt",
            Documents =
            [
                new()
                {
                    Kind = ItemKind.Receipt,
                    Date = payment.ValueDate,
                    Net = payment.Cash,
                    Tax = zero,
                    NotDiscountable = zero,
                    Reference = reference,
                    PaymentMethod = method?.Code ?? "",
                    ClearsOn = method is { ClearingDays: > 0 } ? payment.ValueDate.AddDays(method.ClearingDays) : null,
                    Items = [new(1, payment.ValueDate, [new(MovementKind.Opened, payment.ValueDate, -payment.Cash)])],
                },
            ],
            Allocations = allocations,
            Lines =
            [
                new JournalLine(PostingPurpose.Bank, payment.Cash, method?.Account ?? ""),
                .. Posting.Journal(
                    (PostingPurpose.DiscountsAllowed, payment.Discount - discountTax),
                    (PostingPurpose.OutputTax, discountTax),
                    (PostingPurpose.SmallDifferences, payment.WriteOff),
                    (PostingPurpose.Receivables, -(payment.Allocated + payment.Discount + payment.WriteOff)),
                    (PostingPurpose.CashOnAccount, -payment.OnAccount)
                ),
            ],
        }.Checked();
    }
}
