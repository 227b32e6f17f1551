namespace KiteLine.Core;

/// <summary>What the lines of an invoice or a credit note add up to.</summary>
/// <param name="Taxes">By tax code in the order of the lines, then by authority; together they are the tax.</param>
/// <param name="NotDiscountable">What bears no discount, before tax.</param>
/// <param name="TaxNotDiscountable">The tax on that.</param>
public sealed record DocumentTotals(
    Money Net,
    Money Tax,
    IReadOnlyList<DocumentTax> Taxes,
    Money NotDiscountable,
    Money TaxNotDiscountable
)
{
    /// <summary>
    /// Adds up lines. Tax is worked out for each code on the sum of its lines and rounded once, as BR-CO-17 of
    /// EN 16931-1 has it (from memory).
    /// </summary>
    /// <param name="currency">Of every line.</param>
    /// <param name="code">Finds a tax code; null where there is none of this name.</param>
    /// <param name="date">The document's date, which decides the rate.</param>
    /// <exception cref="RefusedException">A line names a tax code that does not exist or has no rate on that
    /// date.</exception>
    public static DocumentTotals Of(
        IReadOnlyList<DocumentLine> lines,
        Currency currency,
        Func<string, TaxCode?> code,
        DateOnly date,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(lines);
        ArgumentNullException.ThrowIfNull(code);
        var zero = Money.Zero(currency);
        Money Net(IEnumerable<DocumentLine> of) => of.Aggregate(zero, (sum, l) => sum + l.Net);

        var taxes = new List<DocumentTax>();
        var (tax, bearing) = (zero, zero);
        foreach (var group in lines.GroupBy(l => l.TaxCode, StringComparer.OrdinalIgnoreCase))
        {
            if (group.Key.Length == 0)
                continue;
            var at = Enumerable.Range(0, lines.Count).First(i => lines[i].TaxCode == group.Key);
            var known =
                code(group.Key)
                ?? throw new RefusedException($"lines[{at}].taxCode", $"There is no tax code ‘{group.Key}’.");
            var rate =
                known.On(date)
                ?? throw new RefusedException(
                    $"lines[{at}].taxCode",
                    $"The tax code ‘{group.Key}’ has no rate on {Exactly.Day(date)}."
                );
            TaxSplit Split(IEnumerable<DocumentLine> of) =>
                known.Of(Net(of.Where(l => !l.Freight)), Net(of.Where(l => l.Freight)), date, rounding);
            var split = Split(group);
            tax += split.Tax;
            taxes.AddRange(
                split.Parts.Select(p => new DocumentTax(
                    group.Key,
                    p.Component.Authority,
                    p.Component.Percent,
                    split.Taxed,
                    p.Amount
                ))
            );
            var not = group.Where(l => !l.Discountable).ToArray();
            bearing += not.Length == group.Count() ? split.Tax : Split(not).Tax;
        }

        return new(Net(lines), tax, taxes, Net(lines.Where(l => !l.Discountable)), bearing);
    }

    /// <summary>What terms work on; what bears no discount is stated as their base is.</summary>
    public InvoiceAmounts Amounts(DiscountBase of) =>
        new(Net, Tax, of == DiscountBase.Net ? NotDiscountable : NotDiscountable + TaxNotDiscountable);
}
