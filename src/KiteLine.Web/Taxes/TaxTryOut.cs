using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TaxTryOut(Money Taxed, Money Tax, Money Gross, string Percent, IReadOnlyList<TaxPart> Parts);
