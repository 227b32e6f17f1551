using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Rule">Null where no amount was given.</param>
/// <param name="Confidence">0 to 1.</param>
/// <param name="Why">The rule in words.</param>
/// <param name="Items">The items that are proposed.</param>
/// <param name="Need">What the chosen items need, each less its discount in force.</param>
/// <param name="Named">The items that the text names.</param>
internal sealed record PaymentProposalView(
    AllocationRule? Rule,
    decimal Confidence,
    string Why,
    IReadOnlyList<long> Items,
    Money Need,
    IReadOnlyList<NamedItemView> Named,
    IReadOnlyList<FindingView> Findings
)
{
    internal static PaymentProposalView Of(PaymentProposal proposal) =>
        new(
            proposal.Allocation?.Rule,
            proposal.Allocation?.Confidence ?? 0,
            proposal.Allocation?.Why ?? "",
            [.. (proposal.Allocation?.Chosen ?? []).Select(i => i.ItemId)],
            proposal.Need,
            [.. proposal.Named.Select(n => new NamedItemView(n.Item, n.At.From, n.At.To))],
            [.. (proposal.Allocation?.Findings ?? []).Where(f => f.Item is null).Select(f => FindingView.Of(f.Finding))]
        );
}
