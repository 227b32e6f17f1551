using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What a posting did, or would do: its number, its journal, and the account before and after.</summary>
public sealed record Effect<T>(
    long EntryId,
    string? Number,
    IReadOnlyList<JournalLine> Journal,
    AccountPosition Before,
    AccountPosition After,
    T Detail
)
{
    /// <summary>What is named about its document before it is posted.</summary>
    public IReadOnlyList<DocumentWarning> Warnings { get; init; } = [];
}
