namespace KiteLine.Core;

/// <summary>Why something needs a decision today.</summary>
public enum TodayKind
{
    HeldOrder,
    Approval,
    OverLimit,
    PromiseBroken,
    PromiseDue,
    ReviewLapsed,
    WillPass,
}
