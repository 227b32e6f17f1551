using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Terms">Terms of its own, a code or a shorthand, which its invoice takes.</param>
internal sealed record EnterOrderRequest(
    string? Number,
    string? Date,
    string? Total,
    string? Currency,
    [property: MostEntries(Bounds.Deliveries)] IReadOnlyList<DeliveryShape>? Deliveries,
    string? Reference,
    string? Reason,
    [property: MostCharacters(Bounds.LongLine)] string? Terms = null
);
