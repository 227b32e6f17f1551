namespace KiteLine.Web;

/// <summary>Where a text names an item.</summary>
/// <param name="From">Its first character, counted from 0.</param>
/// <param name="To">The character after its last.</param>
internal sealed record NamedItemView(long ItemId, int From, int To);
