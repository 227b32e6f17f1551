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
}
