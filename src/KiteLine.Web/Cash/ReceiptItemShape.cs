namespace KiteLine.Web;

/// <param name="PartPayments">Whether a part payment inside the window earns its share.</param>
internal sealed record ReceiptItemShape(
    string? Open,
    IReadOnlyList<ReceiptDiscountShape>? Discounts,
    bool? PartPayments = null
);
