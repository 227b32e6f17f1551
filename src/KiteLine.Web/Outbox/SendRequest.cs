using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Document">Identifier of an invoice or a credit note.</param>
/// <param name="Receipt">The posting of a receipt.</param>
/// <param name="Reminder">Number of a reminder.</param>
/// <param name="Delivery">For this message; the customer's own where it is left out.</param>
/// <param name="Recipients">For this message, separated by semicolons; the customer's own where it is left out.</param>
/// <param name="Charge">The posting of a late charge.</param>
/// <param name="Statement">A statement of account. Exactly one of the five is given.</param>
internal sealed record SendRequest(
    long? Document,
    long? Receipt,
    string? Reminder,
    [property: TextOf(typeof(Delivery))] string? Delivery,
    [property: MostCharacters(Bounds.FieldValue)] string? Recipients,
    long? Charge = null,
    StatementOfShape? Statement = null
);
