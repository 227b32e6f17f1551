using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Terms as JSON: a discount step. Exactly one of percent and amount is given.</summary>
internal sealed record DiscountShape(string? Percent, string? Amount, DueShape? Deadline);
