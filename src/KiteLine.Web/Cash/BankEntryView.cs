using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>An entry of a bank statement with what is proposed for it.</summary>
/// <param name="Amount">Debits are negative.</param>
/// <param name="State">Booked or pending.</param>
/// <param name="Account">The code of the account it is taken to be of; null where nobody is recognised.</param>
/// <param name="Why">By what the payer was recognised; empty where nobody is.</param>
/// <param name="Rule">By which rule items were found; null where nothing is proposed.</param>
internal sealed record BankEntryView(
    string Reference,
    DateOnly Date,
    DateOnly ValueDate,
    string Amount,
    string Currency,
    string State,
    string Payer,
    string? Account,
    string Why,
    string? Rule,
    decimal Confidence,
    IReadOnlyList<BankAllocationView> Allocations,
    string OnAccount,
    IReadOnlyList<FindingView> Findings
)
{
    internal static BankEntryView Of(EntryProposal p)
    {
        var (entry, allocation) = (p.Entry, p.Allocation);
        var zero = Money.Zero(entry.Amount.Currency);
        var nothing = !entry.IsReceipt;
        return new(
            entry.Reference,
            entry.Date,
            entry.ValueDate,
            $"{entry.Amount}",
            entry.Amount.Currency.Code,
            entry.Booked ? "booked" : "pending",
            entry.Payer,
            p.Payer?.Account,
            p.Payer?.Why ?? "",
            allocation is null or { Rule: AllocationRule.None } ? null : Fields.Name(allocation.Rule),
            p.Confidence,
            [.. (allocation?.Lines ?? []).Select(BankAllocationView.Of)],
            $"{allocation?.OnAccount ?? (nothing ? zero : entry.Paid)}",
            [.. EntryFindings.Of(p)]
        );
    }
}
