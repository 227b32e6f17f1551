namespace KiteLine.Web;

internal sealed record ReceiptDiscountShape(string? Deadline, string? Amount);
