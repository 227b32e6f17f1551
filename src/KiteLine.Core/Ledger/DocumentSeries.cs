namespace KiteLine.Core;

/// <summary>The series in which documents are numbered.</summary>
public enum DocumentSeries
{
    /// <summary>Invoices.</summary>
    Invoice,

    /// <summary>Credit notes.</summary>
    CreditNote,

    /// <summary>Receipts.</summary>
    Receipt,

    /// <summary>Late-charge documents.</summary>
    LateCharge,

    /// <summary>Reminder fees.</summary>
    ReminderFee,

    /// <summary>Reminder letters.</summary>
    Reminder,

    /// <summary>Refunds.</summary>
    Refund,

    /// <summary>Slips of money that is banked together.</summary>
    BankingSlip,

    /// <summary>Bank fees that were charged on.</summary>
    BankFee,
}
