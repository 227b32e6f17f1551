namespace KiteLine.Core;

/// <summary>Posting that writes off what is left of an item, or a part of it, by decision.</summary>
public static class WriteOffPosting
{
    /// <summary>The amount moves from receivables to small differences or to bad debts, from the business date on.</summary>
    /// <param name="badDebt">Whether it is a debt that will not be paid, and no small difference.</param>
    /// <exception cref="RefusedException">No reason; more than is open; or above the authority.</exception>
    public static Posting Of(
        Item item,
        Money amount,
        bool badDebt,
        string reason,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(item);
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        Reason.Needed(reason);
        if (item.Left.Minor <= 0)
            throw new RefusedException("item", $"Nothing is open of {item.Document}.");
        if (amount.Minor <= 0 || amount > item.Left)
            throw new RefusedException("amount", $"Give an amount above zero and at most {item.Left}.");
        // Measured with what was written off of the item before, so that no sum goes through in small parts.
        var before = item
            .Movements.Where(m => m.Kind == MovementKind.WriteOff)
            .Aggregate(Money.Zero(amount.Currency), (sum, m) => sum - m.Amount);
        if (!Authority.Covers(authority.WriteOff, before + amount, rules, "amount"))
            throw new RefusedException(
                "amount",
                $"Writing off {amount}{(before.IsZero ? "" : $", {before + amount} in all")}, lies above your authority; ask "
                    + "somebody with more."
            );
        var from = item.Date > rules.Today ? item.Date : rules.Today;
        return new Posting
        {
            Kind = PostingKind.WriteOff,
            PostingDate = rules.Today,
            Text = $"{item.Document} written off: {reason.Trim()}",
            Movements = [new(item.Id, new(MovementKind.WriteOff, from, -amount))],
            Lines = Posting.Journal(
                (badDebt ? PostingPurpose.BadDebts : PostingPurpose.SmallDifferences, amount),
                (PostingPurpose.Receivables, -amount)
            ),
        }.Checked();
    }
}
