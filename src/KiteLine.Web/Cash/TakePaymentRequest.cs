using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TakePaymentRequest(
    string? ValueDate,
    string? Cash,
    string? Reference,
    IReadOnlyList<PaymentItemShape>? Items,
    string? Reason,
    string? Method = null
);
