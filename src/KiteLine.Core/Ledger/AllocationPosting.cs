namespace KiteLine.Core;

/// <summary>Posting that sets a credit of an account against one of its debits, after both are in the books.</summary>
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
    public static Posting Of(Item credit, Item debit, Money amount, DateOnly valueDate, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(credit);
        ArgumentNullException.ThrowIfNull(debit);
        ArgumentNullException.ThrowIfNull(rules);
        if (credit.Left.Minor >= 0)
            throw new RefusedException(
                "credit",
                $"Nothing is left of {credit.Document}; choose a credit that is open."
            );
        if (debit.Left.Minor <= 0)
            throw new RefusedException("debit", $"{debit.Document} is settled; choose an item that is open.");
        var most = Money.Min(-credit.Left, debit.Left);
        if (amount.Minor <= 0 || amount > most)
            throw new RefusedException("amount", $"Give an amount above zero and at most {most}.");
        if (valueDate > rules.Today)
            throw new RefusedException(
                "valueDate",
                $"The value date is not after the business date, {Exactly.Day(rules.Today)}."
            );
        if (valueDate < credit.Date || valueDate < debit.Date)
            throw new RefusedException("valueDate", "The value date is not before the date of either document.");
        var kind = Allocation.KindOf(credit.Kind);
        var zero = Money.Zero(amount.Currency);
        return new Posting
        {
            Kind = PostingKind.Allocation,
            PostingDate = rules.Today,
            Text = $"{credit.Document} set against {debit.Document}",
            Allocations = [new(credit.Id, debit.Id, kind, valueDate, amount, zero, zero)],
            Lines =
                credit.Kind == ItemKind.Receipt
                    ? Posting.Journal((PostingPurpose.CashOnAccount, amount), (PostingPurpose.Receivables, -amount))
                    : [],
        }.Checked();
    }
}
