namespace KiteLine.Store;

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
