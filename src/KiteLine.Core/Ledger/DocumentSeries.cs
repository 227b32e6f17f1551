namespace KiteLine.Core;

/// <summary>The series in which documents are numbered.</summary>
public enum DocumentSeries
{
    Invoice,
    CreditNote,
    Receipt,
    LateCharge,
    ReminderFee,
    Reminder,
}
