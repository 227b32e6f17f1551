namespace KiteLine.Web;

/// <summary>What posting money without a payer did, or would do; no account changes by it.</summary>
internal sealed record UnassignedEffectView(bool Preview, long EntryId, IReadOnlyList<JournalLineView> Journal);
