namespace KiteLine.Core;

/// <summary>How what was agreed about discounts and charges was not what happened.</summary>
public enum LeakKind
{
    /// <summary>It was allowed though the payment came after its last day.</summary>
    AllowedLate,

    /// <summary>It was deducted after its last day, and what was short was written off.</summary>
    WrittenOff,

    /// <summary>It was earned by a payment in time and never granted.</summary>
    NotGranted,

    /// <summary>A late charge or a fee was written off.</summary>
    ChargeWaived,

    /// <summary>A late charge or a fee was taken back, or corrected downwards.</summary>
    ChargeReversed,
}
