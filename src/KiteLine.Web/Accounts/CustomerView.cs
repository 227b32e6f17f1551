namespace KiteLine.Web;

/// <summary>A customer's whole record with the version that guards it.</summary>
internal sealed record CustomerView(CustomerShape Customer, long Version);
