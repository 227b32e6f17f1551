using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Net">What it comes to before tax; left out where lines are given.</param>
/// <param name="Terms">A code or a shorthand for this invoice alone; those of the order or the customer where it is
/// left out.</param>
/// <param name="OrderId">The order it is made of; an invoice without one is checked like an order.</param>
/// <param name="OrderSeq">The last step of the order that was seen.</param>
/// <param name="Send">Whether it is put into the outbox too, as the customer wants it.</param>
/// <param name="Discount">Takes the place of the terms' discounts on this invoice.</param>
/// <param name="Replaces">The posting of a wrong invoice of the account, which is reversed by the same step; the reason is
/// then needed.</param>
internal sealed record PostInvoiceRequest(
    string? Number,
    string? Date,
    string? Net,
    string? Tax,
    string? NotDiscountable,
    [property: MostCharacters(Bounds.LongLine)] string? Terms,
    string? Reference,
    long? OrderId,
    int? OrderSeq,
    string? Reason,
    [property: MostEntries(Bounds.DocumentLines)] IReadOnlyList<DocumentLineShape>? Lines = null,
    OneOffDiscountShape? Discount = null,
    bool? Send = null,
    long? Replaces = null
);
