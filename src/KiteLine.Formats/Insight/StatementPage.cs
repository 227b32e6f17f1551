using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Writes a statement of account down.</summary>
internal sealed class StatementPage(Sheet sheet, PrintedStatement printed)
{
    private const float Line = 17;

    // Date, what, document, debit, credit, balance.
    private static readonly Sheet.Column[] Columns =
    [
        new(Sheet.Left),
        new(130),
        new(215),
        new(385, Figure: true),
        new(457, Figure: true),
        new(Sheet.Right, Figure: true),
    ];

    // Document, date, due, open.
    private static readonly Sheet.Column[] OpenColumns =
    [
        new(Sheet.Left),
        new(230),
        new(330),
        new(Sheet.Right, Figure: true),
    ];

    private static readonly Sheet.Column[] Sums = [new(Sheet.Left), new(Sheet.Right, Figure: true)];

    internal void Print()
    {
        var s = printed.Statement;
        sheet.Begin();
        sheet.Head(printed.From, printed.To, $"{Exactly.Day(printed.Date)}  ·  Account {printed.To.AccountCode}");
        sheet.Text(
            $"Statement of account, {Exactly.Day(s.From)} to {Exactly.Day(s.To)}, in {printed.Currency.Code}",
            13,
            SheetFonts.Semibold
        );
        sheet.Space(6);
        Heading();
        Balance($"Balance before {Exactly.Day(s.From)}", s.Opening);
        foreach (var line in s.Lines)
        {
            // A line and the balance that is carried on stay on the page.
            if (!sheet.HasRoom(2 * Line))
            {
                var soFar = line.Balance - line.Amount;
                Balance("Carried forward", soFar);
                sheet.Room(float.MaxValue);
                Heading();
                Balance("Brought forward", soFar);
            }

            Row(
                10,
                SheetFonts.Regular,
                Exactly.Day(line.Date),
                PrintedStatement.Words(line),
                line.Document,
                line.Debit.IsZero ? "" : Pdf.Figure(line.Debit),
                line.Credit.IsZero ? "" : Pdf.Figure(line.Credit),
                Pdf.Figure(line.Balance)
            );
        }

        sheet.Rule();
        Balance($"Balance on {Exactly.Day(s.To)}", s.Closing);
        Open(s);
        Age(s);
        Remit(s);
        sheet.Foot(printed.From.Foot);
        sheet.End();
    }

    private void Open(AccountStatement s)
    {
        if (s.Open.Count == 0)
            return;
        sheet.Room(3 * Line);
        sheet.Space(8);
        OpenHeading();
        var soFar = Money.Zero(printed.Currency);
        foreach (var item in s.Open)
        {
            if (!sheet.HasRoom(2 * Line))
            {
                Sum("Carried forward", soFar);
                sheet.Room(float.MaxValue);
                OpenHeading();
                Sum("Brought forward", soFar);
            }

            soFar += item.Open;
            sheet.Row(
                10,
                SheetFonts.Regular,
                OpenColumns,
                item.Document,
                Exactly.Day(item.Date),
                Exactly.Day(item.Due),
                Pdf.Figure(item.Open)
            );
        }

        sheet.Rule();
        Sum("Open", soFar);
    }

    // By age, as many beside each other as there are buckets with something in them.
    private void Age(AccountStatement s)
    {
        var aged = s
            .Ageing.Select((a, i) => (Amount: a, Name: printed.Buckets[i]))
            .Where(a => !a.Amount.IsZero)
            .ToArray();
        if (aged.Length == 0)
            return;
        sheet.Room(3 * Line);
        sheet.Space(8);
        foreach (var (amount, name) in aged)
            Sum(name, amount);
    }

    private void Remit(AccountStatement s)
    {
        var foot = sheet.FootHeight(printed.From.Foot);
        sheet.Room(((s.NotDue.IsZero ? 3 : 5) * Line) + foot);
        sheet.Space(6);
        if (!s.NotDue.IsZero)
        {
            Sum($"Due by {Exactly.Day(s.To)}", s.DueBy);
            Sum("Not due yet", s.NotDue);
            sheet.Rule();
        }

        sheet.Row(
            11,
            SheetFonts.Semibold,
            Sums,
            s.Due.IsZero ? "Nothing is due" : "Please pay what is due",
            $"{printed.Currency.Code} {Pdf.Figure(s.Due)}"
        );
        if (!s.Due.IsZero && printed.PaymentReference.Length > 0)
            sheet.Paragraphs($"Please pay with the reference {Pdf.Spaced(printed.PaymentReference)}.", foot);
    }

    private void Heading()
    {
        Row(9, SheetFonts.Semibold, "Date", "What", "Document", "Debit", "Credit", "Balance");
        sheet.Rule();
    }

    private void OpenHeading()
    {
        sheet.Row(9, SheetFonts.Semibold, OpenColumns, "Open items", "Date", "Due", "Open");
        sheet.Rule();
    }

    private void Balance(string name, Money amount) => Sum(name, amount, SheetFonts.Semibold);

    private void Sum(string name, Money amount, SKTypeface? face = null) =>
        sheet.Row(10, face ?? SheetFonts.Regular, Sums, name, Pdf.Figure(amount));

    private void Row(float size, SKTypeface face, params ReadOnlySpan<string> cells) =>
        sheet.Row(size, face, Columns, cells);
}
