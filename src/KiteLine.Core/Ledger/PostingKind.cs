namespace KiteLine.Core;

/// <summary>What a posting records.</summary>
public enum PostingKind
{
    Opening,
    Invoice,
    CreditNote,
    Receipt,
    LateCharge,
    ReminderFee,
    Reversal,
}
