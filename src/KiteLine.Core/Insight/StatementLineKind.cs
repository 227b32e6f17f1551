namespace KiteLine.Core;

/// <summary>What a line of a statement of account tells.</summary>
public enum StatementLineKind
{
    /// <summary>An invoice.</summary>
    Invoice,

    /// <summary>A credit note.</summary>
    CreditNote,

    /// <summary>Money received.</summary>
    Receipt,

    /// <summary>A late charge.</summary>
    LateCharge,

    /// <summary>A fee of a reminder.</summary>
    ReminderFee,

    /// <summary>Money paid back.</summary>
    Refund,

    /// <summary>A fee of the bank that the customer bears.</summary>
    BankFee,

    /// <summary>A discount that was allowed, or taken back.</summary>
    Discount,

    /// <summary>What was written off, or taken back.</summary>
    WriteOff,

    /// <summary>A document that was taken back.</summary>
    Reversal,

    /// <summary>Money that went to or came from another account.</summary>
    Moved,
}
