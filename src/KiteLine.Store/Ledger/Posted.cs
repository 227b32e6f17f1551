namespace KiteLine.Store;

/// <summary>What a posting left in the books.</summary>
/// <param name="ItemIds">The new items, in the order of the posting.</param>
/// <param name="Number">The number of its first new document, or null.</param>
public sealed record Posted(long EntryId, IReadOnlyList<long> ItemIds, string? Number);
