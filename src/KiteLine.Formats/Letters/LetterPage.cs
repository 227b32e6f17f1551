using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Writes a reminder letter down.</summary>
internal sealed class LetterPage(Sheet sheet, ReminderLetter letter)
{
    // Document, date, due, days overdue, amount: what a customer knows of it, and no level of ours.
    private static readonly Sheet.Column[] Columns =
    [
        new(Sheet.Left),
        new(190),
        new(285),
        new(430, Figure: true),
        new(Sheet.Right, Figure: true),
    ];

    internal void Print()
    {
        var p = letter.Proposal;
        sheet.Begin();
        sheet.Head(
            letter.CompanyName,
            letter.CompanyAddress,
            letter.CustomerName,
            letter.AddressLines,
            $"{Exactly.Day(p.Date)}  ·  Reminder {letter.Number}  ·  Account {letter.AccountCode}"
        );
        sheet.Text(LetterTexts.Fill(letter.Text.Subject, letter), 13, SheetFonts.Semibold);
        sheet.Space(6);
        sheet.Paragraphs(LetterTexts.Fill(letter.Text.Opening, letter));
        Heading();
        foreach (var line in p.Moving)
            Item(line, Exactly.Day(line.Item.Date), Heading);
        if (p.Listed.Count > 0)
        {
            sheet.Room(17 * 3);
            sheet.Space(6);
            ListedHeading();
            foreach (var line in p.Listed)
                Item(line, line.Item.RemindedOn is { } reminded ? Exactly.Day(reminded) : "–", ListedHeading);
        }

        sheet.Rule();
        if (!p.LateCharge.IsZero)
            Sum($"{letter.ChargeLabel} to {Exactly.Day(p.Date)}", p.LateCharge);
        if (!p.EarlierFees.IsZero)
            Sum("Fees of earlier reminders", p.EarlierFees);
        if (!p.OwnFee.IsZero)
            Sum("Fee for this reminder", p.OwnFee);
        var closing = LetterTexts.Fill(letter.Text.Closing, letter).TrimEnd();
        var foot = sheet.FootHeight(letter.Foot);
        // The foot is always printed, and never on a page by itself: the line before it stays with it.
        if (closing.Length == 0)
            sheet.Room(17 + foot);
        Row(
            11,
            SheetFonts.Semibold,
            p.PayBy is { } by ? $"Please pay by {Exactly.Day(by)}" : "Please pay",
            "",
            "",
            "",
            $"{p.Total.Currency.Code} {Pdf.Figure(p.Total)}"
        );
        sheet.Space(12);
        sheet.Paragraphs(closing, foot);
        sheet.Foot(letter.Foot);
        sheet.End();
    }

    private void Sum(string name, Money amount) => Row(10, SheetFonts.Regular, name, "", "", "", Pdf.Figure(amount));

    private void Item(RemindedItem line, string day, Action heading)
    {
        if (sheet.Room(17))
            heading();
        Row(
            10,
            SheetFonts.Regular,
            line.Item.Document,
            day,
            Exactly.Day(line.Item.Due),
            $"{line.DaysOverdue}",
            Pdf.Figure(line.Open)
        );
    }

    // What is overdue and does not move by this letter, with the day on which it was last reminded of.
    private void ListedHeading()
    {
        Row(9, SheetFonts.Semibold, "Also overdue", "Reminded", "Due", "Days overdue", "Open");
        sheet.Rule();
    }

    private void Heading()
    {
        Row(9, SheetFonts.Semibold, "Document", "Date", "Due", "Days overdue", "Open");
        sheet.Rule();
    }

    private void Row(float size, SKTypeface face, params ReadOnlySpan<string> cells) =>
        sheet.Row(size, face, Columns, cells);
}
