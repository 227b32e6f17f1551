using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A payment as a controller takes it.</summary>
/// <param name="Account">The account's code.</param>
/// <param name="Choices">The items it settles, with the decision on each one's discount.</param>
/// <param name="Method">Code of the payment method; empty where none is told.</param>
/// <param name="Reason">Needed when a discount is granted although its deadline has passed, or more than the allowance is written off.</param>
/// <param name="WriteOffs">Items of which the rest is written off, whatever the allowance.</param>
public sealed record PaymentRequest(
    string Account, DateOnly ValueDate, decimal Cash, string Reference, IReadOnlyDictionary<long, DiscountChoice> Choices, string Reason = "", string Method = "",
    IReadOnlySet<long>? WriteOffs = null);
