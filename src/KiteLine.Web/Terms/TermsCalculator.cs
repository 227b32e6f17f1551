using System.Text.Json;
using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Reads the shorthand for terms.</summary>
internal static class TermsCalculator
{
    internal static TermsAnswer Calculate(TermsRequest request, JsonSerializerOptions options)
    {
        var fields = new Fields();
        var terms = request is { Text: null, Terms: { ValueKind: JsonValueKind.Object } given }
            ? TermsShape.Read("terms", given, options, fields)
            : Shorthand.Read(request.Text ?? "");
        fields.ThrowIfAny();
        // The form's fields were checked above, so the terms are there.
        return Answer(terms!);
    }

    private static TermsAnswer Answer(Terms terms)
    {
        var shape = TermsShape.Of(terms);
        var workings = terms.Instalments.Select(
            (line, i) =>
                new Working(
                    terms.Instalments.Count == 1 ? "Due" : $"Instalment {i + 1}",
                    line.Share switch
                    {
                        InstalmentShare.Percent(var p) => $"{Exactly.Plain(p)} %",
                        InstalmentShare.Amount(var a) => Exactly.Figure(a, 2, 4),
                        _ => "the rest",
                    },
                    Rule(line.Due)
                )
        );
        var discounts = terms.Discounts.Select(
            (step, i) =>
                new Working(
                    terms.Discounts.Count == 1 ? "Discount" : $"Discount {i + 1}",
                    step.Value switch
                    {
                        DiscountValue.Percent(var p) => $"{Exactly.Plain(p)} %",
                        DiscountValue.Amount(var a) => Exactly.Figure(a, 2, 4),
                        _ => "",
                    },
                    "until " + Rule(step.Deadline)
                )
        );
        return new(
            shape.Instalments!,
            shape.Discounts!,
            shape.Text!,
            TermsCheck.Objection(terms),
            [.. workings, .. discounts, new("Normal form", "as written back", shape.Text!)]
        );
    }

    private static string Rule(DueRule rule) =>
        (
            rule.Anchor switch
            {
                DueAnchor.OfInvoice => "invoice date",
                DueAnchor.OfMonthEnd => "end of the invoice's month",
                DueAnchor.OfNextMonth(var day, var cutOff) => $"day {day} of the following month"
                    + (cutOff is null ? "" : $", a month later after day {cutOff}"),
                _ => "",
            }
        )
        + (rule.Months == 0 ? "" : $" + {rule.Months} months")
        + (rule.Days == 0 ? "" : $" + {rule.Days} days");
}
