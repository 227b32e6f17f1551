namespace KiteLine.Core;

/// <summary>Posting of a late charge: one document for an account, covering several items.</summary>
public static class LateChargePosting
{
    /// <summary>The sum of the charges as one debit item, due on the day it is raised.</summary>
    /// <exception cref="ArgumentException">There is nothing to charge.</exception>
    public static Posting Of(IReadOnlyList<ItemCharge> charges, string label, DateOnly date)
    {
        ArgumentNullException.ThrowIfNull(charges);
        if (charges.Count == 0) throw new ArgumentException("There is nothing to charge.", nameof(charges));
        var total = charges.Select(c => c.Total).Aggregate((a, b) => a + b);
        return Debit(PostingKind.LateCharge, ItemKind.LateCharge, label, total, date, date, PostingPurpose.LateChargeIncome);
    }

    internal static Posting Debit(PostingKind kind, ItemKind item, string text, Money amount, DateOnly date, DateOnly due, PostingPurpose income)
    {
        var zero = Money.Zero(amount.Currency);
        return new Posting
        {
            Kind = kind,
            PostingDate = date,
            Text = text,
            Documents =
            [
                new()
                {
                    Kind = item, Date = date, Net = amount, Tax = zero, NotDiscountable = zero,
                    Items = [new(1, due, [new(MovementKind.Opened, date, amount)])],
                },
            ],
            Lines = Posting.Journal((PostingPurpose.Receivables, amount), (income, -amount)),
        }.Checked();
    }
}
