using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Terms as JSON: a due rule.</summary>
internal sealed record DueShape(
    [property: TextOf("invoiceDate", "monthEnd", "dayOfNextMonth")] string? Anchor,
    int? Day,
    int? CutOff,
    int? Months,
    int? Days
)
{
    internal static DueShape Of(DueRule rule) =>
        new(
            rule.Anchor switch
            {
                DueAnchor.OfInvoice => "invoiceDate",
                DueAnchor.OfMonthEnd => "monthEnd",
                _ => "dayOfNextMonth",
            },
            (rule.Anchor as DueAnchor.OfNextMonth)?.Day,
            (rule.Anchor as DueAnchor.OfNextMonth)?.CutOff,
            rule.Months,
            rule.Days
        );

    internal DueRule? Read(string field, Fields fields)
    {
        var anchor = Anchor switch
        {
            "invoiceDate" => DueAnchor.InvoiceDate,
            "monthEnd" => DueAnchor.MonthEnd,
            "dayOfNextMonth" when Day is >= 1 and <= 31 && CutOff is null or (>= 1 and <= 31) =>
                DueAnchor.DayOfNextMonth(Day!.Value, CutOff),
            _ => null,
        };
        if (anchor is null)
        {
            fields.Bad(
                Anchor == "dayOfNextMonth" ? $"{field}.day" : $"{field}.anchor",
                Anchor == "dayOfNextMonth"
                    ? "Give a day of the month from 1 to 31."
                    : "Choose one of invoiceDate, monthEnd, dayOfNextMonth."
            );
            return null;
        }

        return new(anchor, Months ?? 0, Days ?? 0);
    }
}
