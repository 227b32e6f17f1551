namespace KiteLine.Web;

internal sealed record ReceiptItemShape(string? Open, IReadOnlyList<ReceiptDiscountShape>? Discounts);
