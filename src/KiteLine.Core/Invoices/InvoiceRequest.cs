namespace KiteLine.Core;

/// <summary>An invoice as a controller enters it, or makes it of an order.</summary>
/// <param name="Number">Null for the next of the series.</param>
/// <param name="Reason">Why it may go on when a finding asks for one.</param>
public sealed record InvoiceRequest(
    string? Number,
    DateOnly Date,
    InvoiceAmounts Amounts,
    string? Terms,
    string Reference,
    long? OrderId,
    int? OrderSeq,
    string Reason = ""
);
