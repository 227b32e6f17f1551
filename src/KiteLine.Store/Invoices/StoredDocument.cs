using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>An invoice or a credit note as it stands in the books.</summary>
/// <param name="Terms">What holds for it, by its latest amendment or as it was written; null for a credit note, and where
/// they are not known.</param>
/// <param name="CalendarId">The calendar it was written under; null for weekends alone.</param>
/// <param name="Credits">The number of the invoice that a credit note names; empty for none.</param>
public sealed record StoredDocument(
    long Id,
    Account Account,
    ItemKind Kind,
    string Number,
    DateOnly Date,
    string Reference,
    DocumentContent Content,
    TermsDefinition? Terms,
    long? CalendarId,
    string Credits
)
{
    /// <summary>The posting that made it.</summary>
    public required long EntryId { get; init; }

    /// <summary>The order that it was made of; null for none.</summary>
    public long? OrderId { get; init; }

    /// <summary>The date of its latest amendment that stands; null where it is as it was posted.</summary>
    public DateOnly? AmendedOn { get; init; }
}
