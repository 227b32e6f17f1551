using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Before">The account without what is held of the order.</param>
/// <param name="After">The account with all of the order approved.</param>
internal sealed record OrderPage(
    OrderRow Order,
    AccountRow Before,
    AccountRow After,
    CheckView Check,
    IReadOnlyList<PromiseView> Promises,
    Money Overdue,
    int OldestDays,
    IReadOnlyList<OrderEventView> Events
);
