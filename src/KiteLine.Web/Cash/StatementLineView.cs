using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A line of a stored statement: what became of it, or what is proposed for it.</summary>
/// <param name="Amount">Debits are negative.</param>
/// <param name="Account">Of the posting it became, else the one that is recognised.</param>
/// <param name="Why">By what the payer was recognised.</param>
/// <param name="Rule">By which rule items were found; null where nothing is proposed.</param>
/// <param name="Confidence">0 to 1; 1 can be posted without being looked at.</param>
/// <param name="Documents">The items that are proposed, by their documents.</param>
/// <param name="Document">Number of the receipt that it became.</param>
/// <param name="Reason">Why it was put aside.</param>
/// <param name="Returns">Whether it takes an earlier payment back.</param>
/// <param name="Settles">The refund or the slip that it seems to settle.</param>
internal sealed record StatementLineView(
    long Id,
    string Reference,
    DateOnly Date,
    DateOnly ValueDate,
    Money Amount,
    EntryState State,
    string Payer,
    string? Account,
    string? AccountName,
    string Why,
    AllocationRule? Rule,
    decimal Confidence,
    IReadOnlyList<string> Documents,
    string? Document,
    long? Posting,
    string Reason,
    bool Returns,
    InTransitView? Settles,
    IReadOnlyList<FindingView> Findings
)
{
    // A line of a list names the first few.
    private const int Named = 3;

    internal static StatementLineView Of(
        StoredEntry stored,
        EntryProposal? proposal,
        Func<string, string> nameOf,
        InTransit? settles = null
    )
    {
        var (entry, allocation) = (stored.Entry, proposal?.Allocation);
        var account = stored.Account ?? proposal?.Payer?.Account;
        return new(
            stored.Id,
            entry.Reference,
            entry.Date,
            entry.ValueDate,
            entry.Amount,
            stored.State,
            entry.Payer,
            account,
            stored.AccountName ?? (account is null ? null : nameOf(account)),
            proposal?.Payer?.Why ?? "",
            allocation is null or { Rule: AllocationRule.None } ? null : allocation.Rule,
            proposal?.Confidence ?? 0,
            [.. (allocation?.Lines ?? []).Take(Named).Select(l => l.Item.Document)],
            stored.Document,
            stored.Posting,
            stored.Reason,
            entry.Amount.Minor < 0 && (entry.Reversal || entry.ReturnReason.Length > 0),
            settles is null ? null : InTransitView.Of(settles),
            proposal is null ? [] : [.. EntryFindings.Of(proposal)]
        );
    }
}
