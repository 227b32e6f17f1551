using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>One line of the journal with the posting that it is of.</summary>
public sealed record JournalRow
{
    /// <summary>The journal entry.</summary>
    public long EntryId { get; init; }

    /// <summary>What was posted.</summary>
    public PostingKind Kind { get; init; }

    /// <summary>The day it stands on.</summary>
    public DateOnly PostingDate { get; init; }

    /// <summary>What the posting says of itself.</summary>
    public string Text { get; init; } = "";

    /// <summary>The first document that came into being by it; null where none did, or opening items came in together.</summary>
    public string? Number { get; init; }

    /// <summary>The customer account that it is on; null where it is on none.</summary>
    public string? AccountCode { get; init; }

    /// <summary>Its name.</summary>
    public string? AccountName { get; init; }

    /// <summary>The number of the posting account.</summary>
    public string Account { get; init; } = "";

    /// <summary>What that account is for.</summary>
    public PostingPurpose Purpose { get; init; }

    /// <summary>Of the amount.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>A debit above zero, a credit below, in minor units.</summary>
    public long Amount { get; init; }
}
