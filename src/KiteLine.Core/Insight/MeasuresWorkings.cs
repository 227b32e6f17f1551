namespace KiteLine.Core;

/// <summary>The derivation of measures as lines.</summary>
public static class MeasuresWorkings
{
    /// <summary>Each amount with where it comes from, and each ratio with its formula.</summary>
    public static IReadOnlyList<Working> Of(BookMeasures m, DiscountUptake uptake)
    {
        ArgumentNullException.ThrowIfNull(m);
        ArgumentNullException.ThrowIfNull(uptake);
        var period = $"{Exactly.Day(m.Period.From)} to {Exactly.Day(m.Period.To)}";
        var lines = new List<Working>
        {
            new("Receivables at the start", $"as shown on {Exactly.Day(m.Period.Eve)}", $"{m.ReceivablesStart}"),
            new("Receivables at the end", $"as shown on {Exactly.Day(m.Period.To)}", $"{m.ReceivablesEnd}"),
            new("Not yet due of them", $"due on {Exactly.Day(m.Period.To)} or later", $"{m.NotDueEnd}"),
        };
        var ends = m.Period.MonthEnds;
        lines.AddRange(
            m.Months.Select(
                (month, i) =>
                    new Working(
                        $"Sales to {Exactly.Day(ends[i])}",
                        $"invoices less credit notes with tax, {month.Days} days",
                        Exactly.Plain(month.Sales)
                    )
            )
        );
        lines.AddRange(
            m.Ratios.Workings(m.ReceivablesStart.Amount, m.ReceivablesEnd.Amount, m.NotDueEnd.Amount, m.Period.Days)
        );
        lines.Add(
            new("Days to pay", $"value date − invoice date, weighted by {m.Paid} of cash, {period}", Text(m.DaysToPay))
        );
        lines.Add(new("Days late", "value date − due date, weighted by the same cash", Text(m.DaysLate)));
        lines.Add(
            new(
                "Discounts offered",
                $"{uptake.OfferedItems} items whose last deadline lies in the period",
                $"{uptake.Offered}"
            )
        );
        lines.Add(new("Discounts used", $"given in time on {uptake.UsedItems} of them", $"{uptake.Used}"));
        lines.Add(
            new(
                "Uptake",
                $"{Exactly.Plain(uptake.Used.Amount)} / {Exactly.Plain(uptake.Offered.Amount)}",
                Text(uptake.Share)
            )
        );
        lines.Add(
            new(
                "Cost a year",
                $"{Exactly.Plain(uptake.Used.Amount)} × 365 / the cash that came for them × its days before due",
                Text(uptake.AnnualCost)
            )
        );
        lines.Add(
            new("Allowed late", "given after the last day, by value date of the payment", $"{uptake.AllowedLate}")
        );
        lines.Add(new("Taken late and written off", "the payment was short by the discount", $"{uptake.WrittenOff}"));
        lines.Add(new("Earned and not granted", "paid in time without the discount", $"{uptake.NotGranted}"));
        lines.Add(new("Charges and fees raised", $"as shown from {period}", $"{m.ChargesRaised}"));
        lines.Add(new("Charges and fees paid", "cash that settled them", $"{m.ChargesPaid}"));
        lines.Add(new("Charges and fees reversed", "taken back or corrected downwards", $"{m.ChargesReversed}"));
        lines.Add(new("Charges and fees open", $"as shown on {Exactly.Day(m.Period.To)}", $"{m.ChargesOpen}"));
        return lines;
    }

    private static string Text(decimal? value) => value is { } v ? Exactly.Plain(ReceivablesMeasures.Rounded(v)) : "—";
}
