namespace KiteLine.Core;

/// <summary>Posting of a late charge: one document for an account, covering several items.</summary>
public static class LateChargePosting
{
    /// <summary>The sum of the charges as one debit item, due on the day it is raised.</summary>
    /// <param name="tax">The tax code the charges bear, or null when they are not taxed.</param>
    /// <exception cref="ArgumentException">There is nothing to charge.</exception>
    public static Posting Of(
        IReadOnlyList<ItemCharge> charges, LateChargePolicy policy, DateOnly date, TaxCode? tax = null, RoundingRule rounding = RoundingRule.HalfAwayFromZero)
    {
        ArgumentNullException.ThrowIfNull(charges);
        if (charges.Count == 0) throw new ArgumentException("There is nothing to charge.", nameof(charges));
        var total = charges.Select(c => c.Total).Aggregate((a, b) => a + b);
        ArgumentNullException.ThrowIfNull(policy);
        var zero = Money.Zero(total.Currency);
        var taxed = tax?.On(date) is null ? zero : tax.Of(total, zero, date, rounding).Tax;
        return Debit(PostingKind.LateCharge, ItemKind.LateCharge, policy.Label, total, taxed, date, date, PostingPurpose.LateChargeIncome, policy.PostingAccount);
    }

    internal static Posting Debit(PostingKind kind, ItemKind item, string text, Money amount, Money tax, DateOnly date, DateOnly due, PostingPurpose income, string account = "")
    {
        var gross = amount + tax;
        return new Posting
        {
            Kind = kind,
            PostingDate = date,
            Text = text,
            Documents =
            [
                new()
                {
                    Kind = item, Date = date, Net = amount, Tax = tax, NotDiscountable = Money.Zero(amount.Currency),
                    Items = [new(1, due, [new(MovementKind.Opened, date, gross)])],
                },
            ],
            Lines = [.. Posting.Journal((PostingPurpose.Receivables, gross), (PostingPurpose.OutputTax, -tax)), new JournalLine(income, -amount, account)],
        }.Checked();
    }
}
