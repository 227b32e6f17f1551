namespace KiteLine.Core;

/// <summary>
/// How items that were open before these books began stand in the journal: against the opening balances.
/// </summary>
public static class OpeningPosting
{
    /// <summary>The side of the journal that holds customers' balances of this kind.</summary>
    public static PostingPurpose CustomersSide(ItemKind kind) =>
        kind == ItemKind.Receipt ? PostingPurpose.CashOnAccount : PostingPurpose.Receivables;

    /// <summary>
    /// The journal of an opening document whose items add up to <paramref name="open"/>, positive when the customer
    /// owes it.
    /// </summary>
    public static IReadOnlyList<JournalLine> Lines(ItemKind kind, Money open) =>
        Posting.Journal((CustomersSide(kind), open), (PostingPurpose.OpeningBalances, -open));
}
