using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ChangeOrderRequest(
    string? Total,
    [property: MostEntries(Bounds.Deliveries)] IReadOnlyList<DeliveryShape>? Deliveries,
    string? Reason
);
