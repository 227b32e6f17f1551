namespace KiteLine.Core;

/// <summary>
/// Posting that takes a receipt, or a part of it, off an account, so that it can be assigned to another one. The money
/// stands among the unassigned receipts meanwhile; the bank is left alone.
/// </summary>
public static class MovePosting
{
    /// <summary>
    /// Takes what is free of the receipt. Where all of it is moved, what it settled is undone with its discounts and
    /// write-offs. Everything keeps its value date, so that by value it is as if the money had never been on this account.
    /// </summary>
    /// <param name="amount">At most <see cref="MovableReceipt.Free"/>, or all that can be moved.</param>
    /// <param name="to">Code of the account that it goes to; empty where that is not known yet.</param>
    /// <exception cref="RefusedException">No reason; nothing can be moved, or not this amount.</exception>
    public static Posting Of(MovableReceipt receipt, Money amount, string to, string reason, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(receipt);
        ArgumentNullException.ThrowIfNull(to);
        ArgumentNullException.ThrowIfNull(rules);
        Reason.Needed(reason);
        var (item, free, most) = (receipt.Item, receipt.Free, receipt.Most);
        if (most.IsZero)
            throw new RefusedException(
                "amount",
                $"Nothing of {item.Document} is left to move: it was paid back or moved."
            );
        if (amount.Minor <= 0 || amount > most)
            throw new RefusedException(
                "amount",
                $"Give an amount above zero and at most {most}, which is what can be moved."
            );
        if (amount > free && amount != most)
            throw new RefusedException(
                "amount",
                $"Only {free} of {item.Document} is on account. Move up to that, or all {most}, which undoes what it "
                    + "settles; or undo a part of that first."
            );
        var undone = amount > free ? receipt.Settles : [];
        var lines = undone
            .SelectMany(s =>
                AllocationCorrection.Undo(s.Allocation, item, s.Debit.Item, s.Debit.Amounts, reason, rules).Lines
            )
            .Append(new(PostingPurpose.CashOnAccount, amount))
            .Append(new(PostingPurpose.UnassignedReceipts, -amount))
            .GroupBy(l => l.Purpose)
            .Select(g => (g.Key, g.Aggregate(Money.Zero(amount.Currency), (sum, l) => sum + l.Amount)));
        return new Posting
        {
            Kind = PostingKind.Move,
            PostingDate = rules.Today,
            Text = $"{item.Document} moved{(to.Length > 0 ? $" to {to}" : "")}: {reason.Trim()}",
            Undone = [.. undone.Select(s => s.Allocation)],
            Movements = [new(item.Id, new(MovementKind.Opened, item.Date, amount))],
            Lines = Posting.Journal([.. lines]),
        }.Checked();
    }
}
