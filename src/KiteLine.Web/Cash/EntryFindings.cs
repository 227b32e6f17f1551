using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What is worth saying about an entry of a statement and its proposal.</summary>
internal static class EntryFindings
{
    internal static IEnumerable<FindingView> Of(EntryProposal p) =>
        OfEntry(p.Entry, p.Payer is null)
            .Concat(
                (p.Allocation?.Findings ?? []).Select(f => new FindingView(
                    f.Finding.Code,
                    f.Item is null ? FindingView.Words(f.Finding) : $"{f.Item.Document}: {FindingView.Words(f.Finding)}"
                ))
            )
            .Concat(p.Warnings.Select(w => new FindingView(w.Code, w.Text)));

    /// <summary>What the bank says of it.</summary>
    internal static IEnumerable<FindingView> OfEntry(BankEntry entry, bool unknown)
    {
        if (entry.Reversal)
            yield return new("reversal", "The bank takes an earlier entry back; reverse what it was posted to");
        if (entry.ReturnReason.Length > 0)
            yield return new("returned", $"The payment came back: {entry.ReturnReason}");
        if (!entry.Charges.IsZero)
            yield return new("charges-kept", $"The bank kept {entry.Charges} of the {entry.Paid} that were paid");
        if (entry.Foreign.Length > 0)
            yield return new("foreign", $"{entry.Foreign} were paid");
        if (unknown && entry.IsReceipt)
            yield return new("payer-unknown", "Nobody is recognised as the payer; choose the account");
    }
}
