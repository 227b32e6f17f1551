using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Journal entries that went to the general ledger together.</summary>
internal sealed record HandOverView(
    long Id,
    long FirstEntry,
    long LastEntry,
    long Entries,
    string MadeBy,
    string MadeAt
)
{
    internal static HandOverView Of(HandOver h) => new(h.Id, h.FirstEntry, h.LastEntry, h.Entries, h.MadeBy, h.MadeAt);
}
