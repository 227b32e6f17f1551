namespace KiteLine.Web;

/// <summary>A discount on one document alone: a percent or an amount.</summary>
/// <param name="Days">Days after the document's date within which it is earned.</param>
internal sealed record OneOffDiscountShape(string? Percent, string? Amount, int? Days);
