namespace KiteLine.Web;

internal sealed record TaxTryOut(string Taxed, string Tax, string Gross, string Percent, IReadOnlyList<TaxPart> Parts);
