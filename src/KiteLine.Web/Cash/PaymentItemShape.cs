using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Discount"><c>proposed</c>, <c>grant</c> or <c>refuse</c>.</param>
/// <param name="WriteOff">What would stay open: true writes it off, whatever the allowance, which takes authority and a
/// reason; false leaves it open; left out, the allowance decides.</param>
/// <param name="Step">The deadline of the discount that is granted; left out, the one that the payment speaks
/// of.</param>
/// <param name="Dispute">Whether what stays open becomes a dispute; it takes a reason.</param>
internal sealed record PaymentItemShape(
    long Id,
    [property: TextOf(typeof(DiscountChoice))] string? Discount,
    bool? WriteOff = null,
    string? Step = null,
    bool? Dispute = null
);
