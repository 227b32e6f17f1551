namespace KiteLine.Core;

/// <summary>
/// Corrections of what settled an item. Allocations are taken back and made anew on the value date they had; the bank is
/// left alone, and what is freed is on account again.
/// </summary>
public static class AllocationCorrection
{
    /// <summary>Takes an allocation back: its item is open again, and what it used of the credit is free.</summary>
    /// <param name="amounts">Of the item's document, by which a discount has its tax part.</param>
    /// <exception cref="RefusedException">No reason was given, or it was undone already.</exception>
    public static Posting Undo(
        Allocation allocation,
        Item credit,
        Item debit,
        InvoiceAmounts amounts,
        string reason,
        BooksRules rules
    ) => Of(allocation, null, credit, debit, amounts, reason, rules);

    /// <summary>
    /// Gives a discount that the payment did not take, or the rest of one, on the value date of the payment. It settles what
    /// is open of the item first, then what was written off with the payment; of the rest the cash is free, on account.
    /// </summary>
    /// <param name="deadline">Names the step of the terms.</param>
    /// <exception cref="RefusedException">No reason; there is no such discount; or it was not earned, and lies above the
    /// authority.</exception>
    public static Posting Grant(
        Allocation allocation,
        Item credit,
        Item debit,
        InvoiceAmounts amounts,
        DateOnly deadline,
        string reason,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(allocation);
        ArgumentNullException.ThrowIfNull(debit);
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        var missed =
            MissedDiscount
                .Of(allocation, debit, credit, rules.Rounding)
                .FirstOrDefault(m => m.Step.Deadline == deadline)
            ?? throw new RefusedException(
                "step",
                $"{debit.Document} has no discount until {Exactly.Day(deadline)} that this payment could still take."
            );
        var amount = missed.Step.Amount;
        if (!missed.Earned && !authority.Covers(authority.Discount, amount, rules, "step"))
            throw new RefusedException(
                "step",
                $"The discount of {amount} on {debit.Document} was not earned and lies above your authority; ask "
                    + "somebody with more."
            );
        // It settles what is open first, then what was written off with the payment, and frees the cash of the rest.
        var rest = amount - Money.Min(amount, debit.Left);
        var writeOff = allocation.WriteOff - Money.Min(rest, allocation.WriteOff);
        var freed = rest - (allocation.WriteOff - writeOff);
        return Of(
            allocation,
            Again(allocation, allocation.Cash - freed, allocation.Discount + amount, writeOff),
            credit,
            debit,
            amounts,
            reason,
            rules
        );
    }

    /// <summary>Takes back what an allocation wrote off: it is open again.</summary>
    /// <exception cref="RefusedException">No reason, or it wrote nothing off.</exception>
    public static Posting WithoutWriteOff(
        Allocation allocation,
        Item credit,
        Item debit,
        InvoiceAmounts amounts,
        string reason,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(allocation);
        if (allocation.WriteOff.IsZero)
            throw new RefusedException("allocation", "Nothing was written off here.");
        var rest = allocation.Cash + allocation.Discount;
        return Of(
            allocation,
            rest.IsZero ? null : Again(allocation, allocation.Cash, allocation.Discount, Money.Zero(rest.Currency)),
            credit,
            debit,
            amounts,
            reason,
            rules
        );
    }

    private static NewAllocation Again(Allocation a, Money cash, Money discount, Money writeOff) =>
        new(a.Credit, a.Debit, a.Kind, a.ValueDate, cash, discount, writeOff);

    private static Posting Of(
        Allocation was,
        NewAllocation? now,
        Item credit,
        Item debit,
        InvoiceAmounts amounts,
        string reason,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(was);
        ArgumentNullException.ThrowIfNull(credit);
        ArgumentNullException.ThrowIfNull(debit);
        ArgumentNullException.ThrowIfNull(rules);
        Reason.Needed(reason);
        if (was.UndoneOn is not null)
            throw new RefusedException("allocation", "This was undone already.");
        var zero = Money.Zero(was.Cash.Currency);
        var cash = (now?.Cash ?? zero) - was.Cash;
        var discount = (now?.Discount ?? zero) - was.Discount;
        var writeOff = (now?.WriteOff ?? zero) - was.WriteOff;
        var tax = rules.AdjustTaxOnDiscount ? Tax(now?.Discount ?? zero) - Tax(was.Discount) : zero;
        // A credit note stands in receivables, so that setting it off is no line of the journal.
        var onAccount = credit.Kind == ItemKind.Receipt ? cash : zero;
        return new Posting
        {
            Kind = PostingKind.Correction,
            PostingDate = rules.Today,
            Text = $"{credit.Document} on {debit.Document}: {reason.Trim()}",
            Undone = [was],
            Allocations = now is null ? [] : [now],
            Lines = Posting.Journal(
                (PostingPurpose.DiscountsAllowed, discount - tax),
                (PostingPurpose.OutputTax, tax),
                (PostingPurpose.SmallDifferences, writeOff),
                (PostingPurpose.CashOnAccount, onAccount),
                (PostingPurpose.Receivables, -(onAccount + discount + writeOff))
            ),
        }.Checked();

        Money Tax(Money of) => amounts.TaxOf(of, rules.Rounding);
    }
}
