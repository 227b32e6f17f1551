using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A posting as it stands in the ledger of an account.</summary>
public sealed record LedgerRow
{
    public long EntryId { get; init; }
    public PostingKind Kind { get; init; }
    public DateOnly PostingDate { get; init; }

    /// <summary>The reference of its document where it has one, else what the posting says of itself.</summary>
    public string Text { get; init; } = "";

    public string? Number { get; init; }

    /// <summary>The opening document that the row stands for; null for all other postings.</summary>
    public long? OpeningDocument { get; init; }

    public long? Reverses { get; init; }
    public long? ReversedBy { get; init; }
    public string PostedBy { get; init; } = "";
    public string AccountCode { get; init; } = "";
    public string AccountName { get; init; } = "";
    public Currency Currency { get; init; } = null!;

    /// <summary>The change of the account's balance, in minor units.</summary>
    public long Change { get; init; }
}
