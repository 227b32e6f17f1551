namespace KiteLine.Core;

/// <summary>
/// What reversing a posting gives up: a reversal of what a customer owes lets go of the same money as a write-off, and is
/// measured by the same authority.
/// </summary>
public static class GivenUp
{
    /// <summary>What the customer owes less once the posting is reversed; zero where that is not less.</summary>
    /// <param name="kind">Of the posting. A refund, a move or what a bank entry settled lets go of nothing when it is
    /// reversed: the customer has a credit again that was there before.</param>
    /// <param name="lines">The journal of the posting, or of its reversal.</param>
    /// <param name="reversed">Whether the lines are those of the reversal.</param>
    public static Money Of(PostingKind kind, IEnumerable<JournalLine> lines, Currency currency, bool reversed)
    {
        ArgumentNullException.ThrowIfNull(lines);
        ArgumentNullException.ThrowIfNull(currency);
        var zero = Money.Zero(currency);
        if (kind is PostingKind.Refund or PostingKind.Move or PostingKind.Clearing)
            return zero;
        var owed = lines.Where(l => l.IsCustomers).Aggregate(zero, (sum, l) => sum + l.Amount);
        return Money.Max(zero, reversed ? -owed : owed);
    }

    /// <summary>Refuses to reverse what gives up more than the authority to write off covers, added up.</summary>
    /// <param name="amounts">What is given up, in any currencies.</param>
    /// <param name="before">What of the same run was given up within a month.</param>
    /// <exception cref="RefusedException">It lies above the authority, or cannot be measured for want of a rate.</exception>
    public static void RefuseBeyond(
        IReadOnlyCollection<Money> amounts,
        IReadOnlyCollection<Money> before,
        string field,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(amounts);
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(authority);
        if (
            amounts.All(a => a.Minor <= 0)
            || authority.Covers(authority.WriteOff, [.. amounts, .. before], rules, field)
        )
            return;
        var added = before.Count == 0 ? "" : $", {Told([.. amounts, .. before])} with what was reversed within a month";
        throw new RefusedException(
            field,
            $"Reversing this gives up {Told(amounts)}{added}, which lies above your authority "
                + "to write off; ask somebody with more."
        );
    }

    private static string Told(IEnumerable<Money> amounts) =>
        string.Join(
            " and ",
            amounts
                .GroupBy(a => a.Currency)
                .Select(g => $"{g.Aggregate(Money.Zero(g.Key), (sum, a) => sum + a)} {g.Key.Code}")
        );
}
