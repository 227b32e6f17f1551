using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A posting as it stands in the ledger of an account.</summary>
public sealed record LedgerRow
{
    /// <summary>The journal entry.</summary>
    public long EntryId { get; init; }

    /// <summary>What was posted.</summary>
    public PostingKind Kind { get; init; }

    /// <summary>The day it stands on in the journal.</summary>
    public DateOnly PostingDate { get; init; }

    /// <summary>The reference of its document where it has one, else what the posting says of itself.</summary>
    public string Text { get; init; } = "";

    /// <summary>The number of its document; null where it has none.</summary>
    public string? Number { get; init; }

    /// <summary>The opening document that the row stands for; null for all other postings.</summary>
    public long? OpeningDocument { get; init; }

    /// <summary>The entry it takes back; null where it takes none back.</summary>
    public long? Reverses { get; init; }

    /// <summary>The entry that takes it back; null while it stands.</summary>
    public long? ReversedBy { get; init; }

    /// <summary>Who posted it, by full name.</summary>
    public string PostedBy { get; init; } = "";

    /// <summary>The customer account it is on.</summary>
    public string AccountCode { get; init; } = "";

    /// <summary>The name of that account.</summary>
    public string AccountName { get; init; } = "";

    /// <summary>Of its amounts.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>The change of the account's balance, in minor units.</summary>
    public long Change { get; init; }

    /// <summary>What of it was given as discount, in minor units.</summary>
    public long Discount { get; init; }

    /// <summary>What of it was written off, in minor units.</summary>
    public long WriteOff { get; init; }
}
