using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Writes a reminder letter down.</summary>
internal sealed class LetterPage(Sheet sheet, ReminderLetter letter)
{
    private const float Line = 17;

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
            letter.From,
            letter.To,
            $"{Exactly.Day(p.Date)}  ·  Reminder {letter.Number}  ·  Account {letter.To.AccountCode}"
        );
        sheet.Text(LetterTexts.Fill(letter.Text.Subject, letter), 13, SheetFonts.Semibold);
        sheet.Space(6);
        sheet.Paragraphs(LetterTexts.Fill(letter.Text.Opening, letter));
        var soFar = Money.Zero(p.Total.Currency);
        Heading();
        foreach (var line in p.Moving)
            soFar = Item(line, Exactly.Day(line.Item.Date), Heading, soFar);
        if (p.Listed.Count > 0)
        {
            sheet.Room(Line * 3);
            sheet.Space(6);
            ListedHeading();
            foreach (var line in p.Listed)
                soFar = Item(
                    line,
                    line.Item.RemindedOn is { } reminded ? Exactly.Day(reminded) : "–",
                    ListedHeading,
                    soFar
                );
        }

        sheet.Rule();
        if (!p.LateCharge.IsZero)
            Sum($"{letter.ChargeLabel} to {Exactly.Day(p.Date)}", p.LateCharge);
        if (!p.EarlierFees.IsZero)
            Sum("Fees of earlier reminders", p.EarlierFees);
        if (!p.OwnFee.IsZero)
            Sum("Fee for this reminder", p.OwnFee);
        var closing = LetterTexts.Fill(letter.Text.Closing, letter).TrimEnd();
        var foot = sheet.FootHeight(letter.From.Foot);
        // The foot is always printed, and never on a page by itself: the line before it stays with it.
        var reference =
            letter.PaymentReference.Length > 0
                ? $"Please pay with the reference {Pdf.Spaced(letter.PaymentReference)}."
                : "";
        if (closing.Length == 0 && reference.Length == 0)
            sheet.Room(Line + foot);
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
        sheet.Paragraphs(reference, closing.Length == 0 ? foot : 0);
        sheet.Paragraphs(closing, foot);
        sheet.Foot(letter.From.Foot);
        sheet.End();
    }

    private void Sum(string name, Money amount) => Row(10, SheetFonts.Regular, name, "", "", "", Pdf.Figure(amount));

    // Gives the sum of all items up to this one.
    private Money Item(RemindedItem line, string day, Action heading, Money soFar)
    {
        // A line and the sum that is carried on stay on the page.
        if (!sheet.HasRoom(2 * Line))
        {
            Carried("Carried forward", soFar);
            sheet.Room(float.MaxValue);
            heading();
            Carried("Brought forward", soFar);
        }

        Row(
            10,
            SheetFonts.Regular,
            line.Item.Document,
            day,
            Exactly.Day(line.Item.Due),
            $"{line.DaysOverdue}",
            Pdf.Figure(line.Open)
        );
        return soFar + line.Open;
    }

    private void Carried(string name, Money amount) =>
        Row(10, SheetFonts.Semibold, name, "", "", "", Pdf.Figure(amount));

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
