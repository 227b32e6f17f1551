namespace KiteLine.Core;

/// <summary>
/// Proposes for the entries of a bank statement one after the other. What is certain is taken to be posted, so that the
/// next entry of the same account finds what it leaves.
/// </summary>
/// <param name="accountOf">The open items of an account by its code, oldest first.</param>
/// <param name="allowanceOn">The short-payment allowance of an account on a value date.</param>
/// <param name="lettersOf">Reminders of an account that ask for more than their items, the latest first.</param>
public sealed class StatementProposals(
    Func<string, IReadOnlyList<ItemDetail>> accountOf,
    Func<string, DateOnly, ShortPayAllowance> allowanceOn,
    RoundingRule rounding,
    Func<string, IReadOnlyList<AskedLetter>>? lettersOf = null
)
{
    private readonly Dictionary<string, List<ItemDetail>> _accounts = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>Proposes for one entry.</summary>
    /// <param name="payer">Whose it is taken to be; null where nobody is recognised.</param>
    public EntryProposal Of(BankEntry entry, RecognisedPayer? payer)
    {
        ArgumentNullException.ThrowIfNull(entry);
        if (!entry.IsReceipt || payer is null)
            return new(entry, null, null, 0);
        if (!_accounts.TryGetValue(payer.Account, out var open))
            _accounts[payer.Account] = open = [.. accountOf(payer.Account)];
        var allocation = AllocationProposal.Of(
            entry.Paid,
            entry.Remittance,
            [.. open.Select(d => AllocationItem.Of(d, entry.ValueDate, rounding))],
            allowanceOn(payer.Account, entry.ValueDate),
            rounding,
            Letters(payer.Account, open)
        );
        var proposal = new EntryProposal(
            entry,
            payer,
            allocation,
            Math.Min(allocation.Confidence, payer.MostConfidence)
        );
        if (proposal.IsCertain)
            Take(open, allocation.Lines, entry.ValueDate);
        return proposal;
    }

    // What was settled by an entry before this one is open no more.
    private IReadOnlyList<AskedLetter> Letters(string account, List<ItemDetail> open)
    {
        if (lettersOf is null || open.All(d => d.Letters.Count == 0))
            return [];
        var standing = open.Select(d => d.Item.Id).ToHashSet();
        return [.. lettersOf(account).Where(l => l.Items.All(standing.Contains))];
    }

    private static void Take(List<ItemDetail> open, IReadOnlyList<AllocationLine> lines, DateOnly valueDate)
    {
        foreach (var line in lines)
        {
            var at = open.FindIndex(d => d.Item.Id == line.Item.ItemId);
            var (item, s) = (open[at].Item, line.Settlement);
            var day = valueDate < item.Date ? item.Date : valueDate;
            var left = item with
            {
                Movements =
                [
                    .. item.Movements,
                    new(MovementKind.Cash, day, -s.Cash),
                    new(MovementKind.Discount, day, -s.Discount),
                ],
            };
            if (left.Left.IsZero)
                open.RemoveAt(at);
            else
                open[at] = open[at] with { Item = left };
        }
    }
}
