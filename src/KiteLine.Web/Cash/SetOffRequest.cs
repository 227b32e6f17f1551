namespace KiteLine.Web;

/// <summary>A credit of an account that is set against its debits.</summary>
/// <param name="Credit">The item that gives: a credit note, or what is left on account.</param>
/// <param name="ValueDate">The day it counts for interest and discount; the business date where it is left out.</param>
internal sealed record SetOffRequest(long Credit, IReadOnlyList<CreditedItemShape>? Items, string? ValueDate);
