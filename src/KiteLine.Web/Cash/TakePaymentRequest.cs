using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TakePaymentRequest(
    string? ValueDate,
    string? Cash,
    string? Reference,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<PaymentItemShape>? Items,
    string? Reason,
    string? Method = null
);
