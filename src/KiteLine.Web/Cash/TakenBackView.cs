namespace KiteLine.Web;

/// <param name="EntryId">The reversal.</param>
internal sealed record TakenBackView(long EntryId);
