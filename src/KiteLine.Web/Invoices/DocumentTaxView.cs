using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The tax of one authority on a document.</summary>
internal sealed record DocumentTaxView(string Code, string Authority, string Percent, Money Taxed, Money Tax)
{
    internal static DocumentTaxView Of(DocumentTax tax) =>
        new(tax.Code, tax.Authority, Exactly.Plain(tax.Percent), tax.Taxed, tax.Tax);
}
