namespace KiteLine.Core;

/// <summary>The derivation of a payment schedule.</summary>
internal static class ScheduleWorkings
{
    internal static IReadOnlyList<Working> Of(
        Terms terms,
        InvoiceAmounts invoice,
        DateOnly invoiceDate,
        IReadOnlyList<ScheduledInstalment> instalments,
        IReadOnlyList<ScheduledDiscount> discounts,
        RoundingRule rounding
    )
    {
        var lines = new List<Working>
        {
            new("Invoice total", $"net {invoice.Net} + tax {invoice.Tax}", $"{invoice.Gross}"),
        };
        for (var i = 0; i < instalments.Count; i++)
        {
            var name = instalments.Count == 1 ? "Due" : $"Instalment {i + 1}";
            var rule = terms.Instalments[i].Due;
            lines.Add(
                new(
                    $"{name}: date",
                    rule.Explain(invoiceDate) + Adjusted(terms, rule.For(invoiceDate), instalments[i].Due),
                    Exactly.Day(instalments[i].Due)
                )
            );
            lines.Add(new($"{name}: amount", Share(terms, i, invoice.Gross), $"{instalments[i].Amount}"));
        }

        if (discounts.Count > 0)
        {
            var gross = terms.Conditions.Base == DiscountBase.Gross;
            var credited =
                terms.Conditions.CreditNotesFollow && !invoice.Credited.IsZero
                    ? $" − credited {invoice.Credited}{(gross ? "" : ", its net part")}"
                    : "";
            lines.Add(
                new(
                    "Discount base",
                    $"{(gross ? "gross" : "net")} {(gross ? invoice.Gross : invoice.Net)} − not discountable "
                        + $"{invoice.NotDiscountable}{credited}",
                    $"{invoice.DiscountableBase(terms.Conditions, rounding)}"
                )
            );
        }

        var lastDue = instalments.Max(i => i.Due);
        for (var i = 0; i < discounts.Count; i++)
        {
            var (step, d) = (terms.Discounts[i], discounts[i]);
            var name = discounts.Count == 1 ? "Discount" : $"Discount {i + 1}";
            lines.Add(
                new(
                    $"{name}: deadline",
                    step.Deadline.Explain(invoiceDate) + Adjusted(terms, step.Deadline.For(invoiceDate), d.Deadline),
                    Exactly.Day(d.Deadline)
                )
            );
            lines.Add(
                new(
                    $"{name}: amount",
                    d.Percent is { } percent
                        ? $"{invoice.DiscountableBase(terms.Conditions, rounding)} × {Exactly.Plain(percent)} %, rounded"
                        : "fixed amount",
                    $"{d.Amount}"
                )
            );
            lines.Add(
                new(
                    $"{name}: payable",
                    invoice.Credited.IsZero
                        ? $"{invoice.Gross} − {d.Amount}"
                        : $"{invoice.Gross} − {invoice.Credited} credited − {d.Amount}",
                    $"{d.Payable}"
                )
            );
            if (d.SimpleAnnualCost is not { } simple)
                continue;
            var rate = d.Percent is { } p ? Exactly.Plain(p / 100) : $"{d.Amount} / {invoice.Gross}";
            var days = lastDue.DayNumber - d.Deadline.DayNumber;
            lines.Add(
                new(
                    $"{name}: simple annual cost",
                    $"d / (1 − d) × 365 / {days} days with d = {rate}",
                    Exactly.Figure(simple * 100, 2, 2) + " %"
                )
            );
            if (d.EffectiveAnnualCost is { } effective)
                lines.Add(
                    new(
                        $"{name}: effective annual cost",
                        $"(1 + d / (1 − d))^(365 / {days}) − 1",
                        Exactly.Figure(effective * 100, 2, 2) + " %"
                    )
                );
        }

        return lines;
    }

    private static string Adjusted(Terms terms, DateOnly reckoned, DateOnly used) =>
        reckoned == used
            ? ""
            : $"; {Exactly.Day(reckoned)} is not a business day, "
                + $"{(terms.Conditions.BusinessDays == BusinessDayRule.Next ? "next" : "previous")} one";

    private static string Share(Terms terms, int index, Money gross) =>
        terms.Instalments[index].Share switch
        {
            _ when index == terms.Instalments.Count - 1 => terms.Instalments.Count == 1
                ? "the whole invoice"
                : "what the other instalments leave",
            InstalmentShare.Percent(var percent) => $"{gross} × {Exactly.Plain(percent)} %, rounded",
            _ => "fixed amount",
        };
}
