namespace KiteLine.Web;

/// <param name="PartPayments">Whether a part payment inside the window earns its share.</param>
internal sealed record AllocationItemShape(
    string? Id,
    string? Document,
    string? Due,
    string? Open,
    IReadOnlyList<ReceiptDiscountShape>? Discounts,
    bool? PartPayments = null
);
