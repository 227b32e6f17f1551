namespace KiteLine.Web;

internal sealed record RaiseChargeRequest(string? Through, IReadOnlyList<long>? LeaveOut);
