using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>An order as it comes in.</summary>
/// <param name="Total">With tax, in the account's currency.</param>
/// <param name="Deliveries">When its parts are to be delivered; empty where that is not known.</param>
/// <param name="Source">Typed, or the kind of file or program it came from.</param>
/// <param name="Reason">Why it may go on when a finding asks for one; without it such an order is held.</param>
/// <param name="Terms">Terms of its own, a code or a shorthand; null for the customer's.</param>
public sealed record NewOrder(
    string Number,
    DateOnly Date,
    Money Total,
    IReadOnlyList<OrderDelivery> Deliveries,
    string Reference = "",
    string Source = "typed",
    string Reason = "",
    string? Terms = null
);
