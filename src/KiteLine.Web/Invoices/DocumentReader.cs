using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Reads what invoices and credit notes are made up of from a request.</summary>
internal static class DocumentReader
{
    /// <summary>The lines; empty where there are none.</summary>
    /// <param name="taxCode">Of a line that names none.</param>
    internal static IReadOnlyList<DocumentLine> Lines(
        IReadOnlyList<DocumentLineShape>? lines,
        Currency currency,
        string taxCode,
        RoundingRule rounding,
        Fields fields
    ) => lines is null ? [] : [.. lines.Select((l, i) => Line(l, $"lines[{i}]", currency, taxCode, rounding, fields))];

    /// <summary>The totals; null where lines are given, which must not come with totals.</summary>
    internal static InvoiceAmounts? Totals(
        string? net,
        string? tax,
        string? notDiscountable,
        bool hasLines,
        Currency currency,
        Fields fields
    )
    {
        if (!hasLines)
            return new(
                fields.Money("net", net, currency),
                fields.OptionalMoney("tax", tax, currency),
                fields.OptionalMoney("notDiscountable", notDiscountable, currency)
            );
        foreach (var (field, value) in new[] { ("net", net), ("tax", tax), ("notDiscountable", notDiscountable) })
            if (!string.IsNullOrWhiteSpace(value))
                fields.Bad(field, "The lines say what it comes to; leave this out, or give no lines.");
        return null;
    }

    internal static OneOffDiscount? Discount(OneOffDiscountShape? discount, Currency currency, Fields fields)
    {
        if (discount is null)
            return null;
        var (percent, amount) = (
            !string.IsNullOrWhiteSpace(discount.Percent),
            !string.IsNullOrWhiteSpace(discount.Amount)
        );
        if (percent == amount)
            fields.Bad("discount", "Give the discount as a percent or as an amount, one of the two.");
        if (discount.Days is null or < 0 or > 366)
            fields.Bad("discount.days", "Give the days within which it is earned, 0 to 366.");
        DiscountValue value = percent
            ? new DiscountValue.Percent(
                fields.Number(
                    "discount.percent",
                    discount.Percent,
                    0.0001m,
                    99.9999m,
                    "a percent above 0 and below 100"
                )
            )
            : new DiscountValue.Amount(amount ? fields.Money("discount.amount", discount.Amount, currency).Amount : 0);
        return new(value, discount.Days ?? 0);
    }

    private static DocumentLine Line(
        DocumentLineShape line,
        string at,
        Currency currency,
        string taxCode,
        RoundingRule rounding,
        Fields fields
    )
    {
        var text = fields.Text($"{at}.text", line.Text, "what was supplied", Bounds.FieldValue);
        var code = line.TaxCode?.Trim() ?? taxCode;
        var (discountable, freight) = (line.Discountable ?? true, line.Freight ?? false);
        decimal Decimal(string field, string? value, decimal otherwise) =>
            string.IsNullOrWhiteSpace(value)
                ? otherwise
                : fields.Number($"{at}.{field}", value, -Bounds.Amount, Bounds.Amount, "a number");
        var quantity = Decimal("quantity", line.Quantity, 1);
        if (string.IsNullOrWhiteSpace(line.Net))
        {
            if (string.IsNullOrWhiteSpace(line.UnitPrice))
                fields.Bad($"{at}.unitPrice", "Give the unit price, or the net amount of the line.");
            var price = Decimal("unitPrice", line.UnitPrice, 0);
            if (Math.Abs(quantity) * Math.Abs(price) > Bounds.Amount)
            {
                fields.Bad($"{at}.quantity", $"Quantity times price is at most {Bounds.Amount:N0}.");
                price = 0;
            }

            return DocumentLine.Of(text, quantity, price, currency, rounding, code, discountable, freight);
        }

        var net = fields.Money($"{at}.net", line.Net, currency, signed: true);
        // Whoever gives the net amount alone has sold one at that price.
        var unit = Decimal("unitPrice", line.UnitPrice, quantity == 0 ? 0 : net.Amount / quantity);
        return new(text, quantity, decimal.Round(unit, 12), net, code, discountable, freight);
    }
}
