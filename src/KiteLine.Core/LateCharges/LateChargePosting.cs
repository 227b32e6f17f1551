namespace KiteLine.Core;

/// <summary>Posting of a late charge: one document for an account, covering several items.</summary>
public static class LateChargePosting
{
    /// <summary>
    /// The sum of the charges as one item, due on the day it is raised: a debit, or a credit where corrections outweigh
    /// what is charged. Charges that add up to nothing make a document without an item.
    /// </summary>
    /// <param name="tax">The tax code the charges bear, or null when they are not taxed.</param>
    /// <exception cref="ArgumentException">There is nothing to charge.</exception>
    public static Posting Of(IReadOnlyList<ItemCharge> charges, LateChargePolicy policy, TaxCode? tax, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        ArgumentNullException.ThrowIfNull(charges);
        if (charges.Count == 0)
            throw new ArgumentException("There is nothing to charge.", nameof(charges));
        var total = charges.Select(c => c.Total).Aggregate((a, b) => a + b);
        ArgumentNullException.ThrowIfNull(policy);
        var taxed = LateChargeTax.Of(tax, total, rules.Today, rules.Rounding);
        return Debit(
            PostingKind.LateCharge,
            ItemKind.LateCharge,
            policy.Label,
            total,
            taxed,
            rules.Today,
            rules.Today,
            PostingPurpose.LateChargeIncome,
            policy.PostingAccount
        );
    }

    internal static Posting Debit(
        PostingKind kind,
        ItemKind item,
        string text,
        Money amount,
        Money tax,
        DateOnly date,
        DateOnly due,
        PostingPurpose income,
        string account = ""
    )
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
                    Kind = item,
                    Date = date,
                    Net = amount,
                    Tax = tax,
                    NotDiscountable = Money.Zero(amount.Currency),
                    Items = gross.IsZero ? [] : [new(1, due, [new(MovementKind.Opened, date, gross)])],
                },
            ],
            Lines =
            [
                .. Posting.Journal((PostingPurpose.Receivables, gross), (PostingPurpose.OutputTax, -tax)),
                .. amount.IsZero ? [] : new[] { new JournalLine(income, -amount, account) },
            ],
        }.Checked();
    }
}
