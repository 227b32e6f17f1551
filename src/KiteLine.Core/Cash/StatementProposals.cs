namespace KiteLine.Core;

/// <summary>
/// Proposes for the entries of a bank statement one after the other. What is certain is taken to be posted, so that the
/// next entry of the same account finds what it leaves.
/// </summary>
/// <param name="itemsOf">The open items of an account, oldest first.</param>
public sealed class StatementProposals(
    KnownPayers payers,
    Func<string, IReadOnlyList<AllocationItem>> itemsOf,
    ShortPayAllowance allowance,
    RoundingRule rounding
)
{
    private readonly Dictionary<string, List<AllocationItem>> _left = new(StringComparer.OrdinalIgnoreCase);

    /// <summary>Proposes for one entry.</summary>
    public EntryProposal Of(BankEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        if (entry.Amount.Minor <= 0 || entry.Reversal || entry.ReturnReason.Length > 0)
            return new(entry, null, null, 0);
        if (payers.Of(entry) is not { } payer)
            return new(entry, null, null, 0);
        if (!_left.TryGetValue(payer.Account, out var items))
            _left[payer.Account] = items = [.. itemsOf(payer.Account)];
        var allocation = AllocationProposal.Of(
            entry.Paid,
            entry.ValueDate,
            string.Join('\n', entry.Text.Append(entry.EndToEnd)),
            items,
            allowance,
            rounding
        );
        var proposal = new EntryProposal(
            entry,
            payer,
            allocation,
            Math.Min(allocation.Confidence, payer.MostConfidence)
        );
        if (proposal.IsCertain)
            Take(items, allocation.Lines);
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
