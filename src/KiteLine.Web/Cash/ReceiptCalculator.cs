using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>How one receipt settles one item.</summary>
internal static class ReceiptCalculator
{
    internal static ReceiptAnswer Calculate(ReceiptRequest request, RoundingRule rounding)
    {
        var fields = new Fields();
        var currency = fields.Currency("currency", request.Currency);
        var valueDate = fields.Date("valueDate", request.ValueDate);
        var cash = fields.Money("cash", request.Cash, currency);
        if (cash.IsZero)
            fields.Bad("cash", "Give the amount received, above zero.");
        var open = fields.Money("item.open", request.Item?.Open, currency);
        if (open.IsZero)
            fields.Bad("item.open", "Give what is open, above zero; a closed item takes no receipt.");
        var grace = Grace(fields, request.DiscountGraceDays);
        var discounts = Discounts(fields, "item.discounts", request.Item?.Discounts, currency, grace);
        var allowance = Allowance(fields, request.Allowance);
        fields.ThrowIfAny();

        var s = ItemSettlement.Of(
            cash,
            new(open, discounts, valueDate, request.Item?.PartPayments ?? request.PartPayments ?? false),
            allowance,
            rounding
        );
        return new(
            s.Cash,
            s.Discount,
            s.WriteOff,
            s.StaysOpen,
            s.OnAccount,
            [.. s.Findings.Select(f => f.Code)],
            s.Findings.OfType<ReceiptFinding.DiscountUnearned>().FirstOrDefault()?.DaysLate,
            s.Workings(cash, open)
        );
    }

    internal static int Grace(Fields fields, int? days)
    {
        if (days is < 0 or > 60)
            fields.Bad("discountGraceDays", "Grace days are 0 to 60.");
        return Math.Clamp(days ?? 0, 0, 60);
    }

    internal static IReadOnlyList<ItemDiscount> Discounts(
        Fields fields,
        string at,
        IReadOnlyList<ReceiptDiscountShape>? discounts,
        Currency currency,
        int grace
    ) =>
        [
            .. (discounts ?? []).Select(
                (d, i) =>
                    new ItemDiscount(
                        fields.Date($"{at}[{i}].deadline", d.Deadline),
                        grace,
                        fields.Money($"{at}[{i}].amount", d.Amount, currency)
                    )
            ),
        ];

    internal static ShortPayAllowance Allowance(Fields fields, AllowanceShape? allowance) =>
        allowance is null
            ? ShortPayAllowance.None
            : new(
                fields.Number("allowance.amount", allowance.Amount, 0, Bounds.Amount, "an amount such as 5.00"),
                fields.Number("allowance.percent", allowance.Percent, 0, 100, "a percentage")
            );
}
