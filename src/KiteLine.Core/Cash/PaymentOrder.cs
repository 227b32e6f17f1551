namespace KiteLine.Core;

/// <summary>Payments that the bank is asked to make together from one account of the company.</summary>
/// <param name="MessageId">Unique; banks refuse the same one twice.</param>
/// <param name="Payer">The company's name.</param>
/// <param name="Account">The company's bank account.</param>
/// <param name="ExecuteOn">The day on which they are asked for.</param>
/// <param name="CreatedAt">When the order was written.</param>
public sealed record PaymentOrder(
    string MessageId,
    string Payer,
    string Account,
    Currency Currency,
    DateOnly ExecuteOn,
    DateTimeOffset CreatedAt,
    IReadOnlyList<PaymentOrderLine> Lines
);
