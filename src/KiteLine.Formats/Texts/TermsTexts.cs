using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>What is printed on an invoice about its terms, with its own dates and amounts.</summary>
public static class TermsTexts
{
    /// <summary>The sentence where the terms have no text of their own.</summary>
    public const string Usual =
        "{% for d in discounts %}Pay {{ d.payable }} by {{ d.deadline }} and keep {{ d.amount }}. {% endfor %}"
        + "{% for i in instalments %}{{ i.amount }} is due on {{ i.due }}. {% endfor %}";

    /// <summary>What they may say.</summary>
    public static LiquidText Kind { get; } =
        new(
            new Dictionary<string, string>(StringComparer.Ordinal)
            {
                ["terms"] = "the terms in shorthand",
                ["date"] = "the invoice date",
                ["total"] = "the invoice total, with its currency",
                ["due"] = "the last due date",
                ["instalments.due"] = "in a loop over instalments: the due date",
                ["instalments.amount"] = "in a loop over instalments: the amount, with its currency",
                ["discounts.deadline"] = "in a loop over discounts: the last day",
                ["discounts.percent"] = "in a loop over discounts: the percentage, empty for a fixed amount",
                ["discounts.amount"] = "in a loop over discounts: the discount, with its currency",
                ["discounts.payable"] = "in a loop over discounts: what is paid, with its currency",
            }
        );

    /// <summary>Fills a template, or the usual sentence where it is empty, for one invoice.</summary>
    public static string Fill(
        string template,
        Terms terms,
        PaymentSchedule schedule,
        InvoiceAmounts amounts,
        DateOnly date
    )
    {
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(schedule);
        ArgumentNullException.ThrowIfNull(amounts);
        return LiquidText
            .Fill(
                string.IsNullOrWhiteSpace(template) ? Usual : template,
                new Dictionary<string, object>(StringComparer.Ordinal)
                {
                    ["terms"] = terms.ToString(),
                    ["date"] = Exactly.Day(date),
                    ["total"] = Amount(amounts.Gross),
                    ["due"] = Exactly.Day(schedule.Instalments.Max(i => i.Due)),
                    ["instalments"] = schedule
                        .Instalments.Select(i => new Dictionary<string, string>(StringComparer.Ordinal)
                        {
                            ["due"] = Exactly.Day(i.Due),
                            ["amount"] = Amount(i.Amount),
                        })
                        .ToList(),
                    ["discounts"] = schedule
                        .Discounts.Select(d => new Dictionary<string, string>(StringComparer.Ordinal)
                        {
                            ["deadline"] = Exactly.Day(d.Deadline),
                            ["percent"] = d.Percent is { } p ? Exactly.Plain(p) : "",
                            ["amount"] = Amount(d.Amount),
                            ["payable"] = Amount(d.Payable),
                        })
                        .ToList(),
                }
            )
            .Trim();
    }

    private static string Amount(Money money) => $"{LetterPdf.Figure(money)} {money.Currency.Code}";
}
