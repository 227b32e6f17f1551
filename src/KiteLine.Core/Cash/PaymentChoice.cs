namespace KiteLine.Core;

/// <summary>What the controller decided about one item of a payment.</summary>
/// <param name="Step">The deadline of the discount that is granted; null for the one that the payment speaks
/// of.</param>
/// <param name="Dispute">Whether what stays open becomes a dispute; it takes a reason.</param>
public sealed record PaymentChoice(
    DiscountChoice Discount = DiscountChoice.Proposed,
    WriteOffChoice WriteOff = WriteOffChoice.Proposed,
    DateOnly? Step = null,
    bool Dispute = false
);
