namespace KiteLine.Core;

/// <summary>Posts a receipt as it was proposed, line by line, credits of the account used with it.</summary>
public static class ProposalPosting
{
    /// <summary>
    /// Credits settle what is due first, the receipt the rest. What the bank kept of the payment goes to small
    /// differences; its line is always what the bank received.
    /// </summary>
    /// <param name="allocation">Of what was paid: what the bank received, and the charges it kept.</param>
    /// <param name="itemOf">An item by its identifier.</param>
    /// <param name="taxShare">For each item, tax as a fraction of its document’s gross amount.</param>
    public static Posting Of(
        AllocationProposal allocation,
        BankEntry entry,
        PaymentMethod? method,
        Func<long, Item> itemOf,
        Func<long, decimal> taxShare,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(allocation);
        ArgumentNullException.ThrowIfNull(entry);
        ArgumentNullException.ThrowIfNull(itemOf);
        ArgumentNullException.ThrowIfNull(taxShare);
        ArgumentNullException.ThrowIfNull(rules);
        var zero = Money.Zero(entry.Amount.Currency);
        var (allocations, usedOfReceipts) = Allocations(allocation, entry.ValueDate, itemOf, zero);
        var (discount, writeOff, discountTax) = (zero, zero, zero);
        foreach (var line in allocation.Lines)
        {
            discount += line.Settlement.Discount;
            writeOff += line.Settlement.WriteOff;
            if (rules.AdjustTaxOnDiscount)
                discountTax += rules.Round(
                    line.Settlement.Discount.Amount * taxShare(Id(line.Item)),
                    entry.Amount.Currency
                );
        }

        var settledByCash = entry.Paid - allocation.OnAccount;
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
                    Date = entry.ValueDate,
                    Net = entry.Paid,
                    Tax = zero,
                    NotDiscountable = zero,
                    Reference = Short(string.Join(' ', entry.Text), Bounds.Line),
                    PaymentMethod = method?.Code ?? "",
                    Items = [new(1, entry.ValueDate, [new(MovementKind.Opened, entry.ValueDate, -entry.Paid)])],
                },
            ],
            Allocations = allocations,
            Lines =
            [
                new JournalLine(PostingPurpose.Bank, entry.Amount, method?.Account ?? ""),
                .. Posting.Journal(
                    (PostingPurpose.DiscountsAllowed, discount - discountTax),
                    (PostingPurpose.OutputTax, discountTax),
                    (PostingPurpose.SmallDifferences, writeOff + entry.Charges),
                    (PostingPurpose.Receivables, -(settledByCash + usedOfReceipts + discount + writeOff)),
                    (PostingPurpose.CashOnAccount, usedOfReceipts - allocation.OnAccount)
                ),
            ],
        }.Checked();
    }

    private static (List<NewAllocation> Allocations, Money UsedOfReceipts) Allocations(
        AllocationProposal allocation,
        DateOnly valueDate,
        Func<long, Item> itemOf,
        Money zero
    )
    {
        var credits = new Queue<(Item Item, Money Left)>(
            allocation.Lines.Where(l => l.Item.IsCredit).Select(l => (itemOf(Id(l.Item)), -l.Settlement.Cash))
        );
        var allocations = new List<NewAllocation>();
        var used = zero;
        foreach (var line in allocation.Lines.Where(l => !l.Item.IsCredit))
        {
            var item = itemOf(Id(line.Item));
            var (need, s) = (line.Settlement.Cash, line.Settlement);
            while (!need.IsZero && credits.TryPeek(out var credit))
            {
                var taken = Money.Min(need, credit.Left);
                var from = Later(valueDate, Later(credit.Item.Date, item.Date));
                allocations.Add(
                    new(credit.Item.Id, item.Id, Allocation.KindOf(credit.Item.Kind), from, taken, zero, zero)
                );
                if (credit.Item.Kind == ItemKind.Receipt)
                    used += taken;
                need -= taken;
                _ = credits.Dequeue();
                if (taken < credit.Left)
                    credits = new([(credit.Item, credit.Left - taken), .. credits]);
            }

            if (!need.IsZero || !s.Discount.IsZero || !s.WriteOff.IsZero)
                allocations.Add(
                    new(null, item.Id, MovementKind.Cash, Later(valueDate, item.Date), need, s.Discount, s.WriteOff)
                );
        }

        return (allocations, used);
    }

    private static long Id(AllocationItem item) =>
        long.Parse(item.Id, System.Globalization.CultureInfo.InvariantCulture);

    private static DateOnly Later(DateOnly a, DateOnly b) => a > b ? a : b;

    private static string Short(string text, int most) => text.Length <= most ? text : text[..(most - 1)] + "…";
}
