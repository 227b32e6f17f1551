using KiteLine.Core;

namespace KiteLine.Store;

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
    /// <summary>Terms of its own, a code or a shorthand, which its invoice takes; null for the customer's.</summary>
    public string? Terms { get; init; }

    /// <summary>What happened last; it says how the order stands.</summary>
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
