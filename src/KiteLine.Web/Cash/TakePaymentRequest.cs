using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Filled">Whether the items are still those that were proposed as the oldest: they are filled one by one.
/// Left out, they are named, and whatever matches is taken.</param>
/// <param name="KeepOver">Whether what was paid beyond the items stays on account, also where a reminder showed it as fee
/// or interest.</param>
/// <param name="Send">Whether a receipt is put into the outbox too, as the customer wants it.</param>
internal sealed record TakePaymentRequest(
    string? ValueDate,
    string? Cash,
    string? Reference,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<PaymentItemShape>? Items,
    string? Reason,
    string? Method = null,
    bool? Send = null,
    bool? Filled = null,
    bool? KeepOver = null
);
