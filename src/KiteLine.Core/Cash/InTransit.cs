namespace KiteLine.Core;

/// <summary>Something that waits for the bank: a refund that it is to pay, or a slip that it is to credit.</summary>
/// <param name="IsSlip">Whether it is a slip; else a refund.</param>
/// <param name="Number">Of the refund or the slip.</param>
/// <param name="Amount">What the bank is to book, above zero.</param>
/// <param name="With">Whom a refund goes to; by which method the money of a slip was taken.</param>
/// <param name="BankAccount">Where a refund goes; empty for a slip.</param>
public sealed record InTransit(long Id, bool IsSlip, string Number, Money Amount, string With, string BankAccount)
{
    /// <summary>How many are read to be compared with an entry; more are never in transit at once.</summary>
    public const int MostRead = 1000;

    private const int MostShown = 10;

    /// <summary>
    /// Refunds that a debit may be: one that bears the number as its reference or names it in the text, then those of its
    /// amount, those to the very bank account first.
    /// </summary>
    public static IReadOnlyList<InTransit> Refunds(BankEntry entry, IReadOnlyList<InTransit> refunds)
    {
        ArgumentNullException.ThrowIfNull(entry);
        ArgumentNullException.ThrowIfNull(refunds);
        var of = refunds.Where(r => r.Amount == -entry.Amount).ToArray();
        var to = Iban.Plain(entry.PayerAccount);
        return
        [
            .. of.OrderByDescending(r => r.Number == entry.EndToEnd)
                .ThenByDescending(r => NamedDocuments.In(entry.Remittance, [r.Number]).Count > 0)
                .ThenByDescending(r => to.Length > 0 && r.BankAccount == to)
                .Take(MostShown),
        ];
    }

    /// <summary>
    /// Slips that a credit may be: one whose number stands in the text, then those of its amount; a slip of another amount
    /// only where it is named, so that the difference is seen.
    /// </summary>
    public static IReadOnlyList<InTransit> Slips(BankEntry entry, IReadOnlyList<InTransit> slips)
    {
        ArgumentNullException.ThrowIfNull(entry);
        ArgumentNullException.ThrowIfNull(slips);
        bool Named(InTransit s) => NamedDocuments.In(entry.Remittance, [s.Number]).Count > 0;
        return
        [
            .. slips
                .Where(s => s.Amount == entry.Amount || Named(s))
                .OrderByDescending(Named)
                .ThenByDescending(s => s.Amount == entry.Amount)
                .Take(MostShown),
        ];
    }
}
