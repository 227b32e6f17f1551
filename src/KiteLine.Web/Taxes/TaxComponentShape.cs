using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TaxComponentShape(string? Authority, string? Percent);
