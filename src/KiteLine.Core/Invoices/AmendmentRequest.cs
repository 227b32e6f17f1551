namespace KiteLine.Core;

/// <summary>A change of a posted invoice's terms as a controller asks for it.</summary>
/// <param name="Date">From this day on the new dates and discounts hold by value.</param>
/// <param name="Terms">Shorthand or code; null for those that the invoice has.</param>
/// <param name="OneOff">Takes the place of the terms' discounts; null for none.</param>
public sealed record AmendmentRequest(DateOnly Date, string? Terms, OneOffDiscount? OneOff, string Reason);
