using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>One thing that happened to an order, and how the order stood after it.</summary>
/// <param name="Deposit">What the customer was asked to pay first, in minor units; 0 for nothing.</param>
/// <param name="EntryId">The posting of an invoice that was made of it.</param>
public sealed record OrderEvent(
    int Seq,
    OrderStepKind Kind,
    OrderStep Step,
    IReadOnlyList<OrderDelivery> Deliveries,
    long Deposit,
    IReadOnlyList<KeptFinding> Findings,
    long? EntryId,
    string Reason,
    string MadeBy,
    string MadeAt
);
