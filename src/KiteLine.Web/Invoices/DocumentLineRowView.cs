using System.Globalization;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A line of a document, the tax of one authority on it, or the totals of one whose lines are not
/// known.</summary>
internal sealed record DocumentLineRowView(
    long Id,
    ItemKind Kind,
    string Number,
    DateOnly Date,
    string Text,
    string Quantity,
    string UnitPrice,
    string TaxCode,
    Money Net,
    Money Tax,
    Money Gross
)
{
    internal static DocumentLineRowView Of(DocumentLineRow r, Currency currency) =>
        new(
            r.Id,
            r.Kind,
            r.Number,
            r.Date,
            r.Text,
            r.Quantity,
            decimal.TryParse(r.UnitPrice, NumberStyles.Number, CultureInfo.InvariantCulture, out var price)
                ? Exactly.Price(price, currency.Decimals)
                : r.UnitPrice,
            r.TaxCode,
            Money.FromMinor(r.Net, currency),
            Money.FromMinor(r.Tax, currency),
            Money.FromMinor(r.Net + r.Tax, currency)
        );
}
