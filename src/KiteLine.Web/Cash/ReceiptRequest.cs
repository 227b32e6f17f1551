using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ReceiptRequest(
    string? Currency,
    string? ValueDate,
    string? Cash,
    ReceiptItemShape? Item,
    AllowanceShape? Allowance,
    int? DiscountGraceDays,
    bool? PartPayments = null
);
