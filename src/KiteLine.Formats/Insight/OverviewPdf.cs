using System.Globalization;
using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Prints the overview of an account on one page of A4, with room for what the committee decides.</summary>
public static class OverviewPdf
{
    // What does not fit is named by its number: a second page is left behind.
    private const int MostChanges = 12;

    private static readonly string[] MonthColumns =
    [
        "Month to",
        "Sales",
        "Exposure",
        "Limit",
        "Paid",
        "Days to pay",
        "Days late",
    ];

    /// <summary>The page.</summary>
    public static byte[] Render(PrintedOverview overview)
    {
        ArgumentNullException.ThrowIfNull(overview);
        return Pdf.Of($"Credit overview {overview.Account}", overview.Company, sheet => Print(sheet, overview));
    }

    private static void Print(Sheet sheet, PrintedOverview o)
    {
        sheet.Begin();
        sheet.Text($"{o.Company} · Credit overview", 9, SheetFonts.Regular);
        sheet.Text(o.Account, 14, SheetFonts.Semibold);
        foreach (var line in o.About)
            sheet.Text(line, 8.5f, SheetFonts.Regular);
        Heading(sheet, "Then and now");
        Sheet.Column[] three = [new(Sheet.Left), new(330, Figure: true), new(Sheet.Right, Figure: true)];
        Row(sheet, SheetFonts.Semibold, three, "", o.ThenOn, o.NowOn);
        foreach (var (name, then, now) in o.Figures)
            Row(sheet, SheetFonts.Regular, three, name, then, now);
        Heading(sheet, "Twelve months");
        Months(sheet, o.Months);
        Heading(sheet, "How it pays");
        foreach (var habit in o.Habits)
            sheet.Text(habit, 8, SheetFonts.Regular);
        Heading(sheet, "Suggested limits");
        Sheet.Column[] workings = [new(Sheet.Left), new(200), new(Sheet.Right, Figure: true)];
        foreach (var suggested in o.Suggested)
        foreach (var w in suggested.Workings)
            Row(
                sheet,
                w == suggested.Workings[^1] ? SheetFonts.Semibold : SheetFonts.Regular,
                workings,
                w.Label,
                sheet.InColumn(w.Formula, 8, SheetFonts.Regular, Sheet.Right - 290)[0],
                w.Value
            );
        Heading(sheet, $"Changed since {o.ThenOn}");
        foreach (var change in o.Changes.Take(MostChanges))
            sheet.Text(
                sheet.InColumn(change, 8, SheetFonts.Regular, Sheet.Right - Sheet.Left)[0],
                8,
                SheetFonts.Regular
            );
        if (o.Changes.Count == 0)
            sheet.Text("Nothing.", 8, SheetFonts.Regular);
        if (o.Changes.Count > MostChanges)
            sheet.Text($"and {o.Changes.Count - MostChanges} more", 8, SheetFonts.Regular);
        sheet.Space(14);
        sheet.Row(8.5f, SheetFonts.Regular, [new(Sheet.Left), new(230), new(400)], "Limit decided:", "By:", "On:");
        sheet.Rule();
        sheet.End();
    }

    // Closer than rows of a letter, so that all of it stands on one page.
    private static void Row(Sheet sheet, SKTypeface face, Sheet.Column[] columns, params ReadOnlySpan<string> cells)
    {
        sheet.Row(8, face, columns, cells);
        sheet.Space(-4.8f);
    }

    private static string Amount(decimal amount, Currency currency) =>
        amount.ToString("N" + currency.Decimals, CultureInfo.InvariantCulture);

    private static void Heading(Sheet sheet, string text)
    {
        sheet.Space(9);
        sheet.Text(text, 9.5f, SheetFonts.Semibold);
        sheet.Rule();
    }

    private static void Months(Sheet sheet, IReadOnlyList<OverviewMonth> months)
    {
        var step = (Sheet.Right - Sheet.Left - 70) / (MonthColumns.Length - 1);
        Sheet.Column[] columns =
        [
            new(Sheet.Left),
            .. Enumerable
                .Range(1, MonthColumns.Length - 1)
                .Select(i => new Sheet.Column(Sheet.Left + 70 + (i * step), true)),
        ];
        Row(sheet, SheetFonts.Semibold, columns, MonthColumns);
        foreach (var m in months)
            Row(
                sheet,
                SheetFonts.Regular,
                columns,
                Exactly.Day(m.To),
                Amount(m.Sales.Amount, m.Limit.Currency),
                Amount(m.Exposure.Amount, m.Limit.Currency),
                Amount(m.Limit.Amount, m.Limit.Currency),
                Amount(m.Paid.Amount, m.Limit.Currency),
                Days(m.DaysToPay),
                Days(m.DaysLate)
            );
    }

    private static string Days(decimal? days) => days?.ToString("F1", CultureInfo.InvariantCulture) ?? "—";
}
