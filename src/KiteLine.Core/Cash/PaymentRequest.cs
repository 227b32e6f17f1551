namespace KiteLine.Core;

/// <summary>A payment as a controller takes it.</summary>
/// <param name="Cash">What the bank received, in major units.</param>
/// <param name="Items">The items it settles, by identifier, with the decisions on each.</param>
/// <param name="Method">Code of the payment method; empty where none is told.</param>
/// <param name="Reason">Needed when a discount is granted although its deadline has passed, or more than the allowance
/// is written off.</param>
public sealed record PaymentRequest(
    DateOnly ValueDate,
    decimal Cash,
    string Reference,
    IReadOnlyDictionary<long, PaymentChoice> Items,
    string Reason = "",
    string Method = ""
);

/// <summary>What the controller decided about one item of a payment.</summary>
/// <param name="Step">The deadline of the discount that is granted; null for the one that the payment speaks
/// of.</param>
public sealed record PaymentChoice(
    DiscountChoice Discount = DiscountChoice.Proposed,
    WriteOffChoice WriteOff = WriteOffChoice.Proposed,
    DateOnly? Step = null
);
