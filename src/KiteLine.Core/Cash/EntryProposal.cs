namespace KiteLine.Core;

/// <summary>What is proposed for one entry of a bank statement.</summary>
/// <param name="Payer">Null where nobody is recognised; nothing is proposed then.</param>
/// <param name="Allocation">Null for what goes out, and where nobody is recognised.</param>
/// <param name="Confidence">As sure as payer and allocation are together: 1 can be posted unseen.</param>
public sealed record EntryProposal(
    BankEntry Entry,
    RecognisedPayer? Payer,
    AllocationProposal? Allocation,
    decimal Confidence
)
{
    /// <summary>What is named about it before it is posted.</summary>
    public IReadOnlyList<DocumentWarning> Warnings { get; init; } = [];

    /// <summary>Whether it can be posted without being looked at.</summary>
    public bool IsCertain => Confidence == 1 && Entry is { Booked: true, IsReceipt: true };
}
