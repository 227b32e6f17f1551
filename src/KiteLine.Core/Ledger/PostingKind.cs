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

    /// <summary>A credit set against a debit, after both were in the books.</summary>
    Allocation,
}
