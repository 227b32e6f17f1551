using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What became of an invoice.</summary>
/// <param name="Check">The check it passed; null where its order had been checked before.</param>
/// <param name="Order">The order it was made of, as it then stands; or null.</param>
/// <param name="Content">What it is of.</param>
/// <param name="Terms">What holds for it.</param>
/// <param name="Schedule">Its due dates, deadlines and payable amounts.</param>
public sealed record InvoiceOutcome(
    CreditCheck? Check,
    SalesOrder? Order,
    DocumentContent Content,
    Terms Terms,
    PaymentSchedule Schedule
);
