namespace KiteLine.Core;

/// <summary>
/// Postings by which an entry of the bank settles what was in transit: a refund that the bank has paid, or money taken by
/// hand that it has credited. No customer's account changes.
/// </summary>
public static class ClearedPosting
{
    /// <summary>The bank has paid a refund.</summary>
    /// <param name="refund">What was paid back, above zero.</param>
    /// <param name="number">Of the refund.</param>
    /// <param name="bank">The method of the bank account it left.</param>
    /// <exception cref="RefusedException">The entry is of another amount or currency.</exception>
    public static Posting OfRefund(BankEntry entry, Money refund, string number, PaymentMethod? bank, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(entry);
        ArgumentNullException.ThrowIfNull(rules);
        if (!ReferenceEquals(entry.Amount.Currency, refund.Currency) || entry.Amount != -refund)
            throw new RefusedException(
                "refund",
                $"The bank debited {-entry.Amount}, the refund {number} is of {refund}; choose the refund that it paid."
            );
        return new Posting
        {
            Kind = PostingKind.Clearing,
            PostingDate = rules.Today,
            Text = $"Refund {number} paid by the bank",
            Lines =
            [
                new JournalLine(PostingPurpose.Bank, -refund, bank?.Account ?? ""),
                .. Posting.Journal((PostingPurpose.RefundsInTransit, refund)),
            ],
        }.Checked();
    }

    /// <summary>The bank has credited a batch of money taken by hand.</summary>
    /// <param name="expected">What the batch should bring.</param>
    /// <param name="number">Of its slip.</param>
    /// <param name="hand">The method by which it was taken.</param>
    /// <param name="bank">The method of the bank account it came in on.</param>
    /// <param name="reason">Why the two differ; needed where they do.</param>
    /// <exception cref="RefusedException">The entry is no money that came in, or is in another currency; they differ and no
    /// reason is given, or the difference lies above the authority to write off.</exception>
    public static Posting OfBatch(
        BankEntry entry,
        Money expected,
        string number,
        PaymentMethod? hand,
        PaymentMethod? bank,
        string reason,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(entry);
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        if (!entry.IsReceipt || !ReferenceEquals(entry.Amount.Currency, expected.Currency))
            throw new RefusedException(
                "slip",
                $"The slip {number} is of {expected} {expected.Currency.Code}; choose the entry that credits it."
            );
        var difference = expected - entry.Amount;
        if (!difference.IsZero)
        {
            if (string.IsNullOrWhiteSpace(reason))
                throw new RefusedException(
                    "reason",
                    $"The bank credited {entry.Amount}, the slip {number} is of {expected}: say where the difference of "
                        + $"{difference} comes from."
                );
            var size = difference.Minor < 0 ? -difference : difference;
            if (!authority.Covers(authority.WriteOff, size, rules, "slip"))
                throw new RefusedException(
                    "slip",
                    $"The difference of {difference} lies above your authority; ask somebody with more."
                );
        }

        return new Posting
        {
            Kind = PostingKind.Clearing,
            PostingDate = rules.Today,
            Text =
                $"Slip {number} credited by the bank"
                + (difference.IsZero ? "" : $", {difference} short: {reason.Trim()}"),
            Lines =
            [
                new JournalLine(PostingPurpose.Bank, entry.Amount, bank?.Account ?? ""),
                .. Posting.Journal((PostingPurpose.SmallDifferences, difference)),
                new JournalLine(PostingPurpose.Bank, -expected, hand?.Account ?? ""),
            ],
        }.Checked();
    }
}
