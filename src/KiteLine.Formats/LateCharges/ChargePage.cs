using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Writes a charge document down.</summary>
internal sealed class ChargePage(Sheet sheet, PrintedCharge charge)
{
    private const float Line = 17;

    // Invoice, its due date, from, to, charge.
    private static readonly Sheet.Column[] Columns =
    [
        new(Sheet.Left),
        new(210),
        new(300),
        new(390),
        new(Sheet.Right, Figure: true),
    ];

    private static readonly Sheet.Column[] Sums = [new(Sheet.Left), new(Sheet.Right, Figure: true)];

    internal void Print()
    {
        sheet.Begin();
        sheet.Head(charge.From, charge.To, $"{Exactly.Day(charge.Date)}  ·  Account {charge.To.AccountCode}");
        var credit = charge.Net.Minor < 0;
        sheet.Text(
            $"{charge.Label} {charge.Number}" + (charge.Reversed ? ", taken back" : ""),
            13,
            SheetFonts.Semibold
        );
        sheet.Space(6);
        if (charge.Terms.Length > 0)
            sheet.Paragraphs(charge.Terms);
        Heading();
        var soFar = Money.Zero(charge.Net.Currency);
        foreach (var line in charge.Lines)
        {
            // A line and the sum that is carried on stay on the page.
            if (!sheet.HasRoom(2 * Line))
            {
                Carried("Carried forward", soFar);
                sheet.Room(float.MaxValue);
                Heading();
                Carried("Brought forward", soFar);
            }

            sheet.Row(
                10,
                SheetFonts.Regular,
                Columns,
                line.Document,
                Exactly.Day(line.Due),
                Exactly.Day(line.From),
                Exactly.Day(line.Through) + (line.Correction.IsZero ? "" : "  corrected"),
                Pdf.Figure(line.Amount)
            );
            soFar += line.Amount;
        }

        sheet.Rule();
        if (!charge.Tax.IsZero)
        {
            Sum("Net", charge.Net);
            Sum("Tax", charge.Tax);
        }

        var foot = sheet.FootHeight(charge.From.Foot);
        // The foot is always printed, and never on a page by itself: the line before it stays with it.
        sheet.Room(Line * 3 + foot);
        sheet.Row(
            11,
            SheetFonts.Semibold,
            Sums,
            credit ? "Credited to your account" : "Please pay at once",
            $"{charge.Net.Currency.Code} {Pdf.Figure(charge.Net + charge.Tax)}"
        );
        sheet.Space(12);
        if (!credit && charge.PaymentReference.Length > 0)
            sheet.Paragraphs($"Please pay with the reference {Pdf.Spaced(charge.PaymentReference)}.", foot);
        sheet.Foot(charge.From.Foot);
        sheet.End();
    }

    private void Heading()
    {
        sheet.Row(9, SheetFonts.Semibold, Columns, "Invoice", "Due", "From", "To", "Charge");
        sheet.Rule();
    }

    private void Carried(string name, Money amount) =>
        sheet.Row(10, SheetFonts.Semibold, Sums, name, Pdf.Figure(amount));

    private void Sum(string name, Money amount) => sheet.Row(10, SheetFonts.Regular, Sums, name, Pdf.Figure(amount));
}
