using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ChangeOrderRequest(string? Total, IReadOnlyList<DeliveryShape>? Deliveries, string? Reason);
