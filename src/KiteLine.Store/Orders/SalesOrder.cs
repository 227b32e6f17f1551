using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A finding as it stood when an order was checked.</summary>
public sealed record KeptFinding(CheckFinding Kind, CheckResponse Response, string Text);

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

/// <summary>An order with everything that happened to it, oldest first.</summary>
public sealed record SalesOrder(
    long Id,
    Account Account,
    string Number,
    DateOnly Date,
    string Reference,
    string Source,
    IReadOnlyList<OrderEvent> Events
)
{
    public OrderEvent Last => Events[^1];

    /// <summary>How it stands on a day.</summary>
    public OrderState State(DateOnly today) =>
        Last.Kind == OrderStepKind.Declined ? OrderState.Declined
        : Last.Step.Over
            ? Last.Step.Invoiced >= Last.Step.Total ? OrderState.Invoiced
                : OrderState.Closed
        : Last.Step.Held(today) == 0 ? OrderState.Approved
        : Last.Kind == OrderStepKind.DepositAsked ? OrderState.AwaitingDeposit
        : Last.Step.NotInvoiced(today) > 0 ? OrderState.PartHeld
        : OrderState.Held;
}

/// <summary>How an order stands.</summary>
public enum OrderState
{
    Held,
    PartHeld,
    AwaitingDeposit,
    Approved,
    Invoiced,
    Declined,
    Closed,
}
