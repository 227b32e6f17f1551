namespace KiteLine.Web;

/// <summary>Just one of the two is given.</summary>
/// <param name="Refund">The refund that the bank paid.</param>
/// <param name="Slip">The slip that it credited.</param>
/// <param name="Reason">Where a difference comes from; needed where there is one.</param>
internal sealed record ClearRequest(long? Refund, long? Slip, string? Reason);
