using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Amount">What is disputed of the item; all that is open when empty.</param>
internal sealed record DisputeRequest(long ItemId, string? Amount, string? Owner, string? Reason);
