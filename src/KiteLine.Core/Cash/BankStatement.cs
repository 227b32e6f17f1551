namespace KiteLine.Core;

/// <summary>What a bank states of one account of the company over some days.</summary>
/// <param name="Account">IBAN or another number, without spaces.</param>
/// <param name="Id">The bank's identification of the statement.</param>
/// <param name="Opening">What was on it before the first entry; null where it is not stated.</param>
/// <param name="Closing">What was on it after the last; null where it is not stated.</param>
public sealed record BankStatement(
    string Account,
    string Id,
    Currency Currency,
    Money? Opening,
    Money? Closing,
    IReadOnlyList<BankEntry> Entries
)
{
    /// <summary>
    /// Why it is refused whole; empty where it is sound. Opening balance and booked entries must make the closing
    /// balance, and no entry may stand in it twice.
    /// </summary>
    public IEnumerable<string> Problems()
    {
        if (Opening is not { } opening)
            yield return "The statement names no opening balance.";
        else if (Closing is not { } closing)
            yield return "The statement names no closing balance.";
        else if (Sum(opening) is not { } sum)
            yield return "The entries are more than can be added up.";
        else if (sum != closing)
            yield return $"The opening balance {opening} and the booked entries make {sum}, not the closing balance "
                + $"{closing}.";
        foreach (
            var twice in Entries.GroupBy(e => e.Reference, StringComparer.Ordinal).Where(g => g.Count() > 1).Take(5)
        )
            yield return $"The entry {twice.Key} stands in it {twice.Count()} times.";
    }

    private Money? Sum(Money opening)
    {
        try
        {
            return Entries.Where(e => e.Booked).Aggregate(opening, (sum, e) => sum + e.Amount);
        }
        catch (OverflowException)
        {
            return null;
        }
    }
}
