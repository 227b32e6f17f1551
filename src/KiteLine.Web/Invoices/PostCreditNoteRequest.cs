using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A credit note; its amounts are stated positive.</summary>
/// <param name="Net">What is credited before tax; left out where lines are given.</param>
/// <param name="Invoice">The number of the invoice that it credits.</param>
/// <param name="Send">Whether it is put into the outbox too, as the customer wants it.</param>
/// <param name="Settles">What of it is set against which items; where it is left out, the invoice that it names, oldest
/// due first.</param>
internal sealed record PostCreditNoteRequest(
    string? Number,
    string? Date,
    string? Net,
    string? Tax,
    string? Invoice,
    string? Reference,
    string? Reason,
    [property: MostEntries(Bounds.DocumentLines)] IReadOnlyList<DocumentLineShape>? Lines = null,
    IReadOnlyList<CreditedItemShape>? Settles = null,
    bool? Send = null
);
