namespace KiteLine.Store;

/// <summary>How an order stands.</summary>
public enum OrderState
{
    /// <summary>All of it waits for a decision.</summary>
    Held,

    /// <summary>All of it waits for a decision.</summary>
    PartHeld,

    /// <summary>It waits for a deposit that was asked for.</summary>
    AwaitingDeposit,

    /// <summary>It may go; something is not invoiced yet.</summary>
    Approved,

    /// <summary>All of it is invoiced.</summary>
    Invoiced,

    /// <summary>It may not go.</summary>
    Declined,

    /// <summary>It goes no further; what was not invoiced is exposed no more.</summary>
    Closed,
}
