using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="OrderId">The order it is made of; an invoice without one is checked like an order.</param>
/// <param name="OrderSeq">The last step of the order that was seen.</param>
internal sealed record PostInvoiceRequest(
    string? Number,
    string? Date,
    string? Net,
    string? Tax,
    string? NotDiscountable,
    string? Terms,
    string? Reference,
    long? OrderId,
    int? OrderSeq,
    string? Reason
);
