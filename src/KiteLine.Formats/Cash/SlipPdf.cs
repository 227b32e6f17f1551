using System.Globalization;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Prints paying-in slips as PDF on A4.</summary>
public static class SlipPdf
{
    private const float Row = 17;

    // Receipt, customer, reference, amount.
    private static readonly Sheet.Column[] Columns =
    [
        new(Sheet.Left),
        new(150),
        new(360),
        new(Sheet.Right, Figure: true),
    ];

    private static readonly Sheet.Column[] Sums = [new(Sheet.Left), new(Sheet.Right, Figure: true)];

    /// <summary>The slip. What goes on on another page carries its sum over.</summary>
    public static byte[] Render(PrintedSlip slip)
    {
        ArgumentNullException.ThrowIfNull(slip);
        return Pdf.Of($"Slip {slip.Number}", slip.Company, sheet => Print(sheet, slip));
    }

    private static void Print(Sheet sheet, PrintedSlip slip)
    {
        sheet.Begin();
        sheet.Text(slip.Company, 15, SheetFonts.Semibold);
        foreach (var line in slip.CompanyAddress)
            sheet.Text(line, 9, SheetFonts.Regular);
        sheet.Space(20);
        sheet.Text($"Paying-in slip {slip.Number}", 13, SheetFonts.Semibold);
        sheet.Text(
            $"{Exactly.Day(slip.BankedOn)}  ·  to {slip.Account}  ·  {slip.Method}, "
                + slip.Lines.Count.ToString(CultureInfo.InvariantCulture),
            10,
            SheetFonts.Regular
        );
        sheet.Space(10);
        Heading(sheet);
        var soFar = Money.Zero(slip.Total.Currency);
        foreach (var line in slip.Lines)
        {
            // The sum that is carried on stays on the page.
            if (!sheet.HasRoom(Row * 2))
            {
                sheet.Row(10, SheetFonts.Semibold, Sums, "Carried forward", Pdf.Figure(soFar));
                sheet.Room(float.MaxValue);
                Heading(sheet);
                sheet.Row(10, SheetFonts.Semibold, Sums, "Brought forward", Pdf.Figure(soFar));
            }

            sheet.Row(
                10,
                SheetFonts.Regular,
                Columns,
                line.Receipt,
                sheet.InColumn(line.Customer, 10, SheetFonts.Regular, 200)[0],
                sheet.InColumn(line.Reference, 10, SheetFonts.Regular, 100)[0],
                Pdf.Figure(line.Amount)
            );
            soFar += line.Amount;
        }

        sheet.Rule();
        sheet.Row(11, SheetFonts.Semibold, Sums, "Total", $"{slip.Total.Currency.Code} {Pdf.Figure(slip.Total)}");
        sheet.End();
    }

    private static void Heading(Sheet sheet)
    {
        sheet.Row(9, SheetFonts.Semibold, Columns, "Receipt", "Customer", "Reference", "Amount");
        sheet.Rule();
    }
}
