namespace KiteLine.Web;

/// <summary>What was handed over, the latest first.</summary>
/// <param name="Waiting">Entries that were posted since the last hand-over.</param>
internal sealed record HandOverPage(long Total, long Waiting, IReadOnlyList<HandOverView> Items);
