namespace KiteLine.Core;

/// <summary>Posting that sets a credit of an account against its debits, after all are in the books.</summary>
public static class AllocationPosting
{
    /// <summary>
    /// Cash on account moves to receivables; a credit note stands in receivables already, so that its journal is empty.
    /// </summary>
    /// <param name="credit">The item that gives; something of it is left.</param>
    /// <param name="debit">The item that is settled.</param>
    /// <param name="amount">Above zero, and at most what is left of either.</param>
    /// <param name="valueDate">The day it counts for interest and discount; not before either item.</param>
    /// <exception cref="RefusedException">Names the field that is wrong.</exception>
    public static Posting Of(Item credit, Item debit, Money amount, DateOnly valueDate, BooksRules rules) =>
        Of(credit, [(debit, amount)], valueDate, rules);

    /// <summary>The same for several items at once, each with what it takes.</summary>
    /// <exception cref="RefusedException">Names the field that is wrong, such as <c>items[1].amount</c>.</exception>
    public static Posting Of(
        Item credit,
        IReadOnlyList<(Item Debit, Money Amount)> debits,
        DateOnly valueDate,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(credit);
        ArgumentNullException.ThrowIfNull(debits);
        ArgumentNullException.ThrowIfNull(rules);
        if (credit.Left.Minor >= 0)
            throw new RefusedException(
                "credit",
                $"Nothing is left of {credit.Document}; choose a credit that is open."
            );
        if (debits.Count == 0)
            throw new RefusedException("items", "Give at least one item with what it takes.");
        if (valueDate > rules.Today)
            throw new RefusedException(
                "valueDate",
                $"The value date is not after the business date, {Exactly.Day(rules.Today)}."
            );
        var left = -credit.Left;
        for (var i = 0; i < debits.Count; i++)
        {
            var (debit, amount) = debits[i];
            if (debit.Left.Minor <= 0)
                throw new RefusedException(
                    $"items[{i}].item",
                    $"{debit.Document} is settled; choose an item that is open."
                );
            var most = Money.Min(left, debit.Left);
            if (amount.Minor <= 0 || amount > most)
                throw new RefusedException(
                    $"items[{i}].amount",
                    $"Give an amount for {debit.Document} above zero and at most {most}."
                );
            if (valueDate < credit.Date || valueDate < debit.Date)
                throw new RefusedException(
                    "valueDate",
                    $"The value date is not before the date of {credit.Document} or {debit.Document}."
                );
            left -= amount;
        }

        var kind = Allocation.KindOf(credit.Kind);
        var zero = Money.Zero(left.Currency);
        var whole = debits.Aggregate(zero, (sum, d) => sum + d.Amount);
        return new Posting
        {
            Kind = PostingKind.Allocation,
            PostingDate = rules.Today,
            Text = $"{credit.Document} set against {Named(debits)}",
            Allocations =
            [
                .. debits.Select(d => new NewAllocation(credit.Id, d.Debit.Id, kind, valueDate, d.Amount, zero, zero)),
            ],
            Lines =
                credit.Kind == ItemKind.Receipt
                    ? Posting.Journal((PostingPurpose.CashOnAccount, whole), (PostingPurpose.Receivables, -whole))
                    : [],
        }.Checked();
    }

    // What stands in the ledger names the first few.
    private static string Named(IReadOnlyList<(Item Debit, Money Amount)> debits) =>
        string.Join(", ", debits.Take(3).Select(d => d.Debit.Document))
        + (debits.Count > 3 ? $" and {debits.Count - 3} more" : "");
}
