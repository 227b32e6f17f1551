namespace KiteLine.Core;

/// <summary>Adds up the lines of an invoice that are not discountable.</summary>
public static class NotDiscountable
{
    /// <summary>Of a document's lines and the taxes that were stated on them; null where it has no lines.</summary>
    /// <param name="currency">Of every line.</param>
    public static NotDiscountableParts? Of(
        IReadOnlyList<DocumentLine> lines,
        IReadOnlyList<DocumentTax> taxes,
        Currency currency,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(lines);
        ArgumentNullException.ThrowIfNull(taxes);
        if (lines.Count == 0)
            return null;
        var zero = Money.Zero(currency);
        var tax = zero;
        foreach (var code in taxes.GroupBy(t => t.Code, StringComparer.OrdinalIgnoreCase))
        {
            DocumentLine[] of =
            [
                .. lines.Where(l => string.Equals(l.TaxCode, code.Key, StringComparison.OrdinalIgnoreCase)),
            ];
            var whole = code.Aggregate(zero, (sum, t) => sum + t.Tax);
            if (of.All(l => !l.Discountable))
                tax += whole;
            else if (of.Any(l => !l.Discountable))
            {
                // Freight that the code does not tax is in the lines and not in what was taxed.
                var freight = Net(of) == code.First().Taxed;
                var taxed = Net(of.Where(l => !l.Discountable && (freight || !l.Freight)));
                tax += Money.Round(taxed.Amount * code.Sum(t => t.Percent) / 100, currency, rounding);
            }
        }

        return new NotDiscountableParts(Net(lines.Where(l => !l.Discountable)), tax);

        Money Net(IEnumerable<DocumentLine> of) => of.Aggregate(zero, (sum, l) => sum + l.Net);
    }
}
