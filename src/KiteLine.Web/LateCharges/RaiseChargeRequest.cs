using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record RaiseChargeRequest(
    string? Through,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<long>? LeaveOut
);
