namespace KiteLine.Core;

/// <summary>
/// Proposes for the entries of a bank statement one after the other. What is certain is taken to be posted, so that the
/// next entry of the same account finds what it leaves.
/// </summary>
/// <param name="accountOf">The open items of an account by its code, oldest first, and its allowance.</param>
public sealed class StatementProposals(
    Func<string, (IReadOnlyList<AllocationItem> Items, ShortPayAllowance Allowance)> accountOf,
    RoundingRule rounding
)
{
    private readonly Dictionary<string, (List<AllocationItem> Left, ShortPayAllowance Allowance)> _accounts = new(
        StringComparer.OrdinalIgnoreCase
    );

    /// <summary>Proposes for one entry.</summary>
    /// <param name="payer">Whose it is taken to be; null where nobody is recognised.</param>
    public EntryProposal Of(BankEntry entry, RecognisedPayer? payer)
    {
        ArgumentNullException.ThrowIfNull(entry);
        if (!entry.IsReceipt || payer is null)
            return new(entry, null, null, 0);
        if (!_accounts.TryGetValue(payer.Account, out var account))
        {
            var (items, allowance) = accountOf(payer.Account);
            _accounts[payer.Account] = account = ([.. items], allowance);
        }

        var allocation = AllocationProposal.Of(
            entry.Paid,
            entry.ValueDate,
            entry.Remittance,
            account.Left,
            account.Allowance,
            rounding
        );
        var proposal = new EntryProposal(
            entry,
            payer,
            allocation,
            Math.Min(allocation.Confidence, payer.MostConfidence)
        );
        if (proposal.IsCertain)
            Take(account.Left, allocation.Lines);
        return proposal;
    }

    private static void Take(List<AllocationItem> items, IReadOnlyList<AllocationLine> lines)
    {
        foreach (var line in lines)
        {
            var at = items.IndexOf(line.Item);
            if (line.Settlement.StaysOpen.IsZero)
                items.RemoveAt(at);
            else
                items[at] = line.Item with
                {
                    Open = line.Settlement.StaysOpen,
                    Discounts = line.Settlement.Discount.IsZero ? line.Item.Discounts : [],
                };
        }
    }
}
