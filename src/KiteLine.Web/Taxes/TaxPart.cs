using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TaxPart(string Authority, string Percent, Money Amount);
