using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A line of a posted document; quantity and unit price are decimals as texts.</summary>
internal sealed record PostedLineView(
    string Text,
    string Quantity,
    string UnitPrice,
    Money Net,
    string TaxCode,
    bool Discountable,
    bool Freight
)
{
    internal static PostedLineView Of(DocumentLine line) =>
        new(
            line.Text,
            Exactly.Plain(line.Quantity),
            Exactly.Plain(line.UnitPrice),
            line.Net,
            line.TaxCode,
            line.Discountable,
            line.Freight
        );
}
