namespace KiteLine.Web;

/// <summary>What of a credit note is set against one item.</summary>
internal sealed record CreditedItemShape(long Item, string? Amount);
