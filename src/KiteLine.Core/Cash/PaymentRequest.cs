namespace KiteLine.Core;

/// <summary>A payment as a controller takes it.</summary>
/// <param name="Cash">What the bank received, in major units.</param>
/// <param name="Items">The items it settles, by identifier, with the decisions on each.</param>
/// <param name="Method">Code of the payment method; empty where none is told.</param>
/// <param name="Reason">Needed when a discount is granted although its deadline has passed, or more than the allowance
/// is written off.</param>
/// <param name="KeepOver">Whether what is paid beyond the items stays on account, also where a reminder showed it as fee or
/// interest.</param>
/// <param name="Filled">Whether the items are still those that were proposed as the oldest.</param>
public sealed record PaymentRequest(
    DateOnly ValueDate,
    decimal Cash,
    string Reference,
    IReadOnlyDictionary<long, PaymentChoice> Items,
    string Reason = "",
    string Method = "",
    bool Filled = false,
    bool KeepOver = false
);
