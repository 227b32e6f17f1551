namespace KiteLine.Core;

/// <summary>Which receipt an entry of a bank statement takes back.</summary>
public static class ReturnDecision
{
    private const int MostShown = 10;

    /// <summary>
    /// The receipts that it may take back, the likeliest first: by the payer's own reference, by their number in the text, by
    /// the bank account that it goes back to. None where it takes nothing back.
    /// </summary>
    /// <param name="receipts">Those of its amount, the latest first.</param>
    public static IReadOnlyList<ReturnedReceipt> Candidates(BankEntry entry, IReadOnlyList<BookedReceipt> receipts)
    {
        ArgumentNullException.ThrowIfNull(entry);
        ArgumentNullException.ThrowIfNull(receipts);
        if (entry.Amount.Minor >= 0)
            return [];
        var named = NamedDocuments
            .In(entry.Remittance, [.. receipts.Select(r => r.Document)])
            .Select(n => receipts[n.Item]);
        var goesTo = Iban.Plain(entry.PayerAccount);
        return
        [
            .. receipts
                .Where(r => r.EndToEnd.Length > 0 && r.EndToEnd == entry.EndToEnd)
                .Select(r => new ReturnedReceipt(r, ReturnedBy.Reference))
                .Concat(named.Select(r => new ReturnedReceipt(r, ReturnedBy.Document)))
                .Concat(
                    receipts
                        .Where(r => goesTo.Length > 0 && Iban.Plain(r.PayerAccount) == goesTo)
                        .Select(r => new ReturnedReceipt(r, ReturnedBy.BankAccount))
                )
                .DistinctBy(r => r.Receipt.Posting)
                .Take(MostShown),
        ];
    }

    /// <param name="posting">What is to be taken back.</param>
    /// <param name="brought">What it brought to the bank.</param>
    /// <exception cref="RefusedException">The entry takes nothing back, or the posting is none that it can take
    /// back.</exception>
    public static void RefuseUnlessOf(BankEntry entry, PostingKind posting, Money brought)
    {
        ArgumentNullException.ThrowIfNull(entry);
        if (entry.Amount.Minor >= 0)
            throw new RefusedException("entry", "This entry is money that came in; it takes nothing back.");
        if (posting != PostingKind.Receipt)
            throw new RefusedException("posting", "This posting is no receipt; choose the one that came back.");
        if (!ReferenceEquals(brought.Currency, entry.Amount.Currency) || brought != -entry.Amount)
            throw new RefusedException(
                "posting",
                $"The receipt brought {brought} {brought.Currency.Code}, the bank took back {-entry.Amount} "
                    + $"{entry.Amount.Currency.Code}; choose the receipt that came back."
            );
    }

    /// <summary>Why a receipt is reversed: what was given, else what the bank says.</summary>
    public static string Reason(BankEntry entry, string given)
    {
        ArgumentNullException.ThrowIfNull(entry);
        ArgumentNullException.ThrowIfNull(given);
        return given.Trim() is { Length: > 0 } reason ? reason
            : entry.ReturnReason.Length > 0 ? $"Returned by the bank: {entry.ReturnReason}"
            : "Returned by the bank";
    }
}
