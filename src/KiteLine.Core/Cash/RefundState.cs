namespace KiteLine.Core;

/// <summary>How far a refund is.</summary>
public enum RefundState
{
    /// <summary>The bank was not asked yet to pay it.</summary>
    Waiting,

    /// <summary>It stands in a file that the bank was given.</summary>
    Ordered,

    /// <summary>The bank has booked it.</summary>
    Paid,

    /// <summary>It was reversed.</summary>
    Reversed,
}
