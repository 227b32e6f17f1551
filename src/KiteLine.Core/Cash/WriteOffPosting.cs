namespace KiteLine.Core;

/// <summary>Posting that writes off what is left of an item, or a part of it, by decision.</summary>
public static class WriteOffPosting
{
    /// <summary>
    /// The amount moves from receivables to small differences or to bad debts, from the business date on. A small
    /// difference that is all that is left takes the discount in force first, as it does when it is written off with the
    /// payment.
    /// </summary>
    /// <param name="badDebt">Whether it is a debt that will not be paid, and no small difference.</param>
    /// <param name="barred">Whether nothing is written off on this account, as small difference or as bad debt.</param>
    /// <exception cref="RefusedException">No reason; more than is open; barred; or above the authority.</exception>
    public static Posting Of(
        ItemDetail detail,
        Money amount,
        bool badDebt,
        bool barred,
        string reason,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(detail);
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        Reason.Needed(reason);
        var item = detail.Item;
        if (item.Left.Minor <= 0)
            throw new RefusedException("item", $"Nothing is open of {item.Document}.");
        if (amount.Minor <= 0 || amount > item.Left)
            throw new RefusedException("amount", $"Give an amount above zero and at most {item.Left}.");
        if (barred)
            throw new RefusedException("amount", Barred);
        var zero = Money.Zero(amount.Currency);
        var discount =
            badDebt || amount != item.Left
                ? zero
                : Money.Min(amount, item.DiscountOn(rules.Today, rules.Rounding)?.Amount ?? zero);
        var writeOff = amount - discount;
        // Measured with what was written off of the item before, so that no sum goes through in small parts.
        var before = item
            .Movements.Where(m => m.Kind == MovementKind.WriteOff)
            .Aggregate(zero, (sum, m) => sum - m.Amount);
        if (!writeOff.IsZero && !authority.Covers(authority.WriteOff, before + writeOff, rules, "amount"))
            throw new RefusedException(
                "amount",
                $"Writing off {writeOff}{(before.IsZero ? "" : $", {before + writeOff} in all")}, lies above your authority; "
                    + "ask somebody with more."
            );
        var from = item.Date > rules.Today ? item.Date : rules.Today;
        var tax = rules.AdjustTaxOnDiscount ? detail.Amounts.TaxOf(discount, rules.Rounding) : zero;
        Movement[] made = [new(MovementKind.Discount, from, -discount), new(MovementKind.WriteOff, from, -writeOff)];
        return new Posting
        {
            Kind = PostingKind.WriteOff,
            PostingDate = rules.Today,
            Text = $"{item.Document} written off: {reason.Trim()}",
            Movements = [.. made.Where(m => !m.Amount.IsZero).Select(m => new ItemMovement(item.Id, m))],
            Lines = Posting.Journal(
                (PostingPurpose.DiscountsAllowed, discount - tax),
                (PostingPurpose.OutputTax, tax),
                (badDebt ? PostingPurpose.BadDebts : PostingPurpose.SmallDifferences, writeOff),
                (PostingPurpose.Receivables, -amount)
            ),
        }.Checked();
    }

    /// <summary>Why nothing is written off on a barred account.</summary>
    internal const string Barred =
        "This account is barred from writing off; leave it open, dispute it, or ask a manager to lift the bar under "
        + "Customer.";
}
