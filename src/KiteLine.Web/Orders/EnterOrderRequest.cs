using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record EnterOrderRequest(
    string? Number,
    string? Date,
    string? Total,
    string? Currency,
    [property: MostEntries(Bounds.Deliveries)] IReadOnlyList<DeliveryShape>? Deliveries,
    string? Reference,
    string? Reason
);
