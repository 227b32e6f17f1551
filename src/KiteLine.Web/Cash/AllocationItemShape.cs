namespace KiteLine.Web;

internal sealed record AllocationItemShape(
    string? Id,
    string? Document,
    string? Due,
    string? Open,
    IReadOnlyList<ReceiptDiscountShape>? Discounts
);
