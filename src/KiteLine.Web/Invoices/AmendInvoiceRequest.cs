using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Date">From this day on the new dates and discounts hold by value; the business date where it is left
/// out.</param>
/// <param name="Terms">A code or a shorthand; those of the invoice where it is left out.</param>
/// <param name="Discount">Takes the place of the terms' discounts.</param>
internal sealed record AmendInvoiceRequest(
    string? Date,
    [property: MostCharacters(Bounds.LongLine)] string? Terms,
    OneOffDiscountShape? Discount,
    string? Reason
);
