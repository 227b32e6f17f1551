namespace KiteLine.Core;

/// <summary>One line of an invoice or a credit note. On a credit note everything is stated positive.</summary>
/// <param name="Text">What was supplied.</param>
/// <param name="Quantity">How many; negative for what is taken back on the same document.</param>
/// <param name="UnitPrice">Before tax, in major units, with as many decimals as the price has.</param>
/// <param name="Net">Quantity times unit price, rounded once; or what whoever wrote the document states.</param>
/// <param name="TaxCode">Code of the tax; empty where none is due.</param>
/// <param name="Discountable">Whether an early-payment discount is taken of it.</param>
/// <param name="Freight">Whether it is freight, which some tax codes do not tax.</param>
public sealed record DocumentLine(
    string Text,
    decimal Quantity,
    decimal UnitPrice,
    Money Net,
    string TaxCode = "",
    bool Discountable = true,
    bool Freight = false
)
{
    /// <summary>A line whose net amount is its quantity times its price, rounded once.</summary>
    /// <exception cref="OverflowException">It is beyond what can be held.</exception>
    public static DocumentLine Of(
        string text,
        decimal quantity,
        decimal unitPrice,
        Currency currency,
        RoundingRule rounding,
        string taxCode = "",
        bool discountable = true,
        bool freight = false
    ) =>
        new(
            text,
            quantity,
            unitPrice,
            Money.Round(quantity * unitPrice, currency, rounding),
            taxCode,
            discountable,
            freight
        );
}
