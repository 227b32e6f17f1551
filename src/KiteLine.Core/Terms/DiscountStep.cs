namespace KiteLine.Core;

/// <summary>One early-payment discount: what it is worth and until when payment must have value.</summary>
public sealed record DiscountStep(DiscountValue Value, DueRule Deadline);
