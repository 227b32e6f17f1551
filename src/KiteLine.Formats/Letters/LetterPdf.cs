using System.Globalization;
using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Prints reminder letters as PDF on A4, with the shipped font embedded.</summary>
public static class LetterPdf
{
    private const float Width = 595,
        Height = 842,
        Left = 62,
        Right = 533,
        Bottom = 780;
    private static readonly SKTypeface Regular = Load("KiteLetterSans-Regular.ttf");
    private static readonly SKTypeface Semibold = Load("KiteLetterSans-Semibold.ttf");

    /// <summary>The letter. Items that do not fit on a page go on on the next, under the same heading.</summary>
    public static byte[] Render(ReminderLetter letter)
    {
        ArgumentNullException.ThrowIfNull(letter);
        using var stream = new MemoryStream();
        using (
            var document = SKDocument.CreatePdf(
                stream,
                new SKDocumentPdfMetadata
                {
                    Title = $"Reminder {letter.Number}",
                    Author = letter.CompanyName,
                    Creator = "Kite Line",
                    RasterDpi = 72,
                    EncodingQuality = 90,
                }
            )
        )
        {
            new Page(() => document.BeginPage(Width, Height), document.EndPage, letter).Print();
            document.Close();
        }

        return stream.ToArray();
    }

    /// <summary>The first page as a PNG picture twice its size in points, drawn by the same code.</summary>
    public static byte[] Picture(ReminderLetter letter)
    {
        ArgumentNullException.ThrowIfNull(letter);
        using var first = SKSurface.Create(new SKImageInfo((int)Width * 2, (int)Height * 2));
        using var others = SKSurface.Create(new SKImageInfo(1, 1));
        first.Canvas.Clear(SKColors.White);
        first.Canvas.Scale(2);
        var pages = 0;
        new Page(() => pages++ == 0 ? first.Canvas : others.Canvas, () => { }, letter).Print();
        using var image = first.Snapshot();
        using var png = image.Encode(SKEncodedImageFormat.Png, 90);
        return png.ToArray();
    }

    /// <summary>An amount as letters print it, with groups of three.</summary>
    public static string Figure(Money amount) =>
        amount.Amount.ToString(
            "N" + amount.Currency.Decimals.ToString(CultureInfo.InvariantCulture),
            CultureInfo.InvariantCulture
        );

    private static SKTypeface Load(string name)
    {
        using var font =
            typeof(LetterPdf).Assembly.GetManifestResourceStream($"KiteLine.Formats.Fonts.{name}")
            ?? throw new InvalidOperationException($"The font {name} is missing from the program.");
        return SKTypeface.FromStream(font);
    }

    /// <summary>Writes down the letter from the top, and turns the page when it is full.</summary>
    private sealed class Page(Func<SKCanvas> turn, Action end, ReminderLetter letter)
    {
        private static readonly SKPaint Ink = new() { Color = new SKColor(0x15, 0x30, 0x3A), IsAntialias = true };
        private static readonly float[] Columns = [Left, 190, 270, 350, 398, Right];
        private SKCanvas _canvas = null!;
        private float _y;

        internal void Print()
        {
            Turn();
            Head();
            var p = letter.Proposal;
            Text(LetterTexts.Fill(letter.Text.Subject, letter), 13, Semibold);
            _y += 6;
            Paragraphs(LetterTexts.Fill(letter.Text.Opening, letter));
            Heading();
            foreach (var line in p.Items)
            {
                if (Room(17))
                    Heading();
                Row(
                    10,
                    Regular,
                    line.Item.Document,
                    Exactly.Day(line.Item.Date),
                    Exactly.Day(line.Item.Due),
                    $"{line.DaysOverdue}",
                    line.Level == 0 ? "–" : $"{line.Level}",
                    Figure(line.Open)
                );
            }

            Rule();
            if (!p.LateCharge.IsZero)
                Row(
                    10,
                    Regular,
                    $"{letter.ChargeLabel} to {Exactly.Day(p.Date)}",
                    "",
                    "",
                    "",
                    "",
                    Figure(p.LateCharge)
                );
            if (!p.EarlierFees.IsZero)
                Row(10, Regular, "Fees of earlier reminders", "", "", "", "", Figure(p.EarlierFees));
            if (!p.OwnFee.IsZero)
                Row(10, Regular, "Fee for this reminder", "", "", "", "", Figure(p.OwnFee));
            var closing = LetterTexts.Fill(letter.Text.Closing, letter).TrimEnd();
            // The foot is always printed, and never on a page by itself: the line before it stays with it.
            if (closing.Length == 0)
                Room(17 + FootHeight());
            Row(
                11,
                Semibold,
                p.PayBy is { } by ? $"Please pay by {Exactly.Day(by)}" : "Please pay",
                "",
                "",
                "",
                "",
                $"{p.Total.Currency.Code} {Figure(p.Total)}"
            );
            _y += 12;
            Paragraphs(closing, FootHeight());
            Foot();
            end();
        }

        // Letters are set by their true widths, not by those of a screen's pixels.
        private static SKFont Font(SKTypeface face, float size) =>
            new(face, size)
            {
                Subpixel = true,
                LinearMetrics = true,
                Hinting = SKFontHinting.None,
            };

        private void Head()
        {
            Text(letter.CompanyName, 15, Semibold);
            foreach (var line in letter.CompanyAddress)
                Text(line, 9, Regular);
            _y = 170;
            Text(letter.CustomerName, 10.5f, Semibold);
            foreach (var line in letter.AddressLines)
                Text(line, 10.5f, Regular);
            _y = Math.Max(_y + 18, 270);
            Text(
                $"{Exactly.Day(letter.Proposal.Date)}  ·  Reminder {letter.Number}  ·  Account {letter.AccountCode}",
                10,
                Regular
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
                Text(line, 9, Regular);
        }

        private float FootHeight()
        {
            if (letter.Foot.Count == 0)
                return 0;
            using var font = Font(Regular, 9);
            return 20 + (letter.Foot.Sum(line => Wrapped(line, font).Count) * 13);
        }

        private void Heading()
        {
            Row(9, Semibold, "Document", "Date", "Due", "Days", "Level", "Open");
            Rule();
        }

        private void Row(float size, SKTypeface face, params ReadOnlySpan<string> cells)
        {
            Room(17);
            using var font = Font(face, size);
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
            using var line = new SKPaint { Color = new SKColor(0xB9, 0xC4, 0xC2), StrokeWidth = 0.7f };
            _canvas.DrawLine(Left, _y - 11, Right, _y - 11, line);
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
                Text(paragraphs[i].Trim(), 10.5f, Regular, i == paragraphs.Length - 1 ? kept : 0);
                _y += 5;
            }
        }

        private void Text(string text, float size, SKTypeface face, float kept = 0)
        {
            using var font = Font(face, size);
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
}
