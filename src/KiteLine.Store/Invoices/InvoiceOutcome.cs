using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What became of an invoice: the check it passed, null where its order had been checked before.</summary>
public sealed record InvoiceOutcome(CreditCheck? Check, SalesOrder? Order);
