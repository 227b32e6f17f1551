using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Writes down the letter from the top, and turns the page when it is full.</summary>
internal sealed class LetterPage(Func<SKCanvas> turn, Action end, ReminderLetter letter, LetterFonts fonts)
{
    private const float Left = 62,
        Right = 533,
        Bottom = 780;
    private static readonly SKPaint Ink = new() { Color = new SKColor(0x15, 0x30, 0x3A), IsAntialias = true };
    private static readonly SKPaint Hairline = new() { Color = new SKColor(0xB9, 0xC4, 0xC2), StrokeWidth = 0.7f };
    private static readonly float[] Columns = [Left, 190, 270, 350, 398, Right];
    private SKCanvas _canvas = null!;
    private float _y;

    internal void Print()
    {
        Turn();
        Head();
        var p = letter.Proposal;
        Text(LetterTexts.Fill(letter.Text.Subject, letter), 13, LetterFonts.Semibold);
        _y += 6;
        Paragraphs(LetterTexts.Fill(letter.Text.Opening, letter));
        Heading();
        foreach (var line in p.Moving)
            Item(line, Exactly.Day(line.Item.Date), Heading);
        if (p.Listed.Count > 0)
        {
            Room(17 * 3);
            _y += 6;
            ListedHeading();
            foreach (var line in p.Listed)
                Item(line, line.Item.RemindedOn is { } reminded ? Exactly.Day(reminded) : "–", ListedHeading);
        }

        Rule();
        if (!p.LateCharge.IsZero)
            Row(
                10,
                LetterFonts.Regular,
                $"{letter.ChargeLabel} to {Exactly.Day(p.Date)}",
                "",
                "",
                "",
                "",
                LetterPdf.Figure(p.LateCharge)
            );
        if (!p.EarlierFees.IsZero)
            Row(10, LetterFonts.Regular, "Fees of earlier reminders", "", "", "", "", LetterPdf.Figure(p.EarlierFees));
        if (!p.OwnFee.IsZero)
            Row(10, LetterFonts.Regular, "Fee for this reminder", "", "", "", "", LetterPdf.Figure(p.OwnFee));
        var closing = LetterTexts.Fill(letter.Text.Closing, letter).TrimEnd();
        // The foot is always printed, and never on a page by itself: the line before it stays with it.
        if (closing.Length == 0)
            Room(17 + FootHeight());
        Row(
            11,
            LetterFonts.Semibold,
            p.PayBy is { } by ? $"Please pay by {Exactly.Day(by)}" : "Please pay",
            "",
            "",
            "",
            "",
            $"{p.Total.Currency.Code} {LetterPdf.Figure(p.Total)}"
        );
        _y += 12;
        Paragraphs(closing, FootHeight());
        Foot();
        end();
    }

    private void Head()
    {
        Text(letter.CompanyName, 15, LetterFonts.Semibold);
        foreach (var line in letter.CompanyAddress)
            Text(line, 9, LetterFonts.Regular);
        _y = 170;
        Text(letter.CustomerName, 10.5f, LetterFonts.Semibold);
        foreach (var line in letter.AddressLines)
            Text(line, 10.5f, LetterFonts.Regular);
        _y = Math.Max(_y + 18, 270);
        Text(
            $"{Exactly.Day(letter.Proposal.Date)}  ·  Reminder {letter.Number}  ·  Account {letter.AccountCode}",
            10,
            LetterFonts.Regular
        );
        _y += 8;
    }

    // Below everything on the last page. The rule takes five points, and a little room keeps the last line on this
    // page.
    private void Foot()
    {
        if (letter.Foot.Count == 0)
            return;
        _y = Bottom - FootHeight() + 12;
        Rule();
        foreach (var line in letter.Foot)
            Text(line, 9, LetterFonts.Regular);
    }

    private float FootHeight()
    {
        if (letter.Foot.Count == 0)
            return 0;
        var font = fonts.Of(LetterFonts.Regular, 9);
        return 20 + (letter.Foot.Sum(line => Wrapped(line, font).Count) * 13);
    }

    private void Item(RemindedItem line, string day, Action heading)
    {
        if (Room(17))
            heading();
        Row(
            10,
            LetterFonts.Regular,
            line.Item.Document,
            day,
            Exactly.Day(line.Item.Due),
            $"{line.DaysOverdue}",
            line.Level == 0 ? "–" : $"{line.Level}",
            LetterPdf.Figure(line.Open)
        );
    }

    // What is overdue and does not move by this letter, with the day on which it was last reminded of.
    private void ListedHeading()
    {
        Row(9, LetterFonts.Semibold, "Also overdue", "Reminded", "Due", "Days", "Level", "Open");
        Rule();
    }

    private void Heading()
    {
        Row(9, LetterFonts.Semibold, "Document", "Date", "Due", "Days", "Level", "Open");
        Rule();
    }

    private void Row(float size, SKTypeface face, params ReadOnlySpan<string> cells)
    {
        Room(17);
        var font = fonts.Of(face, size);
        for (var i = 0; i < cells.Length; i++)
        {
            // The first three columns are set from the left, figures from the right.
            if (i < 3)
                _canvas.DrawText(cells[i], Columns[i], _y, SKTextAlign.Left, font, Ink);
            else
                _canvas.DrawText(
                    cells[i],
                    i == 3 ? 378
                        : i == 4 ? 430
                        : Right,
                    _y,
                    SKTextAlign.Right,
                    font,
                    Ink
                );
        }

        _y += 17;
    }

    private void Rule()
    {
        _canvas.DrawLine(Left, _y - 11, Right, _y - 11, Hairline);
        _y += 5;
    }

    /// <param name="kept">How much room must be left below the last line.</param>
    private void Paragraphs(string text, float kept = 0)
    {
        // A text that says nothing takes no room, least of all a page.
        if (string.IsNullOrWhiteSpace(text))
            return;
        var paragraphs = text.Split('\n');
        for (var i = 0; i < paragraphs.Length; i++)
        {
            Text(paragraphs[i].Trim(), 10.5f, LetterFonts.Regular, i == paragraphs.Length - 1 ? kept : 0);
            _y += 5;
        }
    }

    private void Text(string text, float size, SKTypeface face, float kept = 0)
    {
        var font = fonts.Of(face, size);
        var lines = Wrapped(text, font);
        for (var i = 0; i < lines.Count; i++)
        {
            Room(size + 4 + (i == lines.Count - 1 ? kept : 0));
            _canvas.DrawText(lines[i], Left, _y, SKTextAlign.Left, font, Ink);
            _y += size + 4;
        }
    }

    private static List<string> Wrapped(string text, SKFont font)
    {
        // Too short to reach the edge in any size that letters use.
        if (text.Length < 40)
            return [text];
        var (lines, line) = (new List<string>(), "");
        foreach (var word in text.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var longer = line.Length == 0 ? word : line + " " + word;
            if (line.Length > 0 && font.MeasureText(longer) > Right - Left)
            {
                lines.Add(line);
                line = word;
            }
            else
            {
                line = longer;
            }
        }

        lines.Add(line);
        return lines;
    }

    /// <summary>Turns the page when there is no room left; true when it did.</summary>
    private bool Room(float needed)
    {
        if (_y + needed <= Bottom)
            return false;
        end();
        Turn();
        return true;
    }

    private void Turn()
    {
        _canvas = turn();
        _y = 70;
    }
}
