using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>
/// A4 paper that is written down from the top; it turns the page when it is full. What every document has stands here:
/// the head with both addresses, text, rows of a table, rules and the foot.
/// </summary>
/// <param name="turn">Begins a page.</param>
/// <param name="end">Ends it.</param>
internal sealed class Sheet(Func<SKCanvas> turn, Action end, SheetFonts fonts)
{
    internal const float Width = 595,
        Height = 842,
        Left = 62,
        Right = 533;

    private const float Bottom = 780,
        Top = 70,
        PictureTop = 48,
        PictureWidth = 200,
        PictureHeight = 80;

    private static readonly SKPaint Ink = new() { Color = new SKColor(0x15, 0x30, 0x3A), IsAntialias = true };
    private static readonly SKPaint Hairline = new() { Color = new SKColor(0xB9, 0xC4, 0xC2), StrokeWidth = 0.7f };
    private static readonly SKPaint Full = new() { Color = new SKColor(0x0B, 0x6E, 0x75) };
    private static readonly SKPaint Lighter = new() { Color = new SKColor(0x8F, 0xC1, 0xC4) };
    private static readonly SKPaint Dotted = new()
    {
        Color = new SKColor(0x15, 0x30, 0x3A),
        StrokeWidth = 0.7f,
        Style = SKPaintStyle.Stroke,
        PathEffect = SKPathEffect.CreateDash([1.5f, 1.5f], 0),
    };
    private static readonly SKPaint Outline = new()
    {
        Color = new SKColor(0x15, 0x30, 0x3A),
        StrokeWidth = 0.7f,
        Style = SKPaintStyle.Stroke,
    };
    private SKCanvas _canvas = null!;
    private float _y;

    /// <summary>A column of a table: where its text begins, or where its figures end.</summary>
    internal readonly record struct Column(float At, bool Figure = false);

    /// <summary>Begins the first page.</summary>
    internal void Begin() => Turn();

    /// <summary>Ends the last page.</summary>
    internal void End() => end();

    /// <summary>Who writes, to whom, and the line that says what it is.</summary>
    internal void Head(Letterhead from, Addressee to, string about)
    {
        Picture(from.Picture);
        Text(from.Name, 15, SheetFonts.Semibold);
        foreach (var line in from.Address)
            Text(line, 9, SheetFonts.Regular);
        _y = 170;
        Text(to.Name, 10.5f, SheetFonts.Semibold);
        foreach (var line in to.Address)
            Text(line, 10.5f, SheetFonts.Regular);
        _y = Math.Max(_y + 18, 270);
        Text(about, 10, SheetFonts.Regular);
        Space(8);
    }

    // At the right of the head, as large as it fits there, in its own proportions.
    private void Picture(ReadOnlyMemory<byte> picture)
    {
        if (picture.IsEmpty)
            return;
        using var image = SKImage.FromEncodedData(picture.Span);
        if (image is null)
            return;
        var scale = Math.Min(PictureWidth / image.Width, PictureHeight / image.Height);
        var (width, height) = (image.Width * scale, image.Height * scale);
        _canvas.DrawImage(
            image,
            new SKRect(Right - width, PictureTop, Right, PictureTop + height),
            new SKSamplingOptions(SKCubicResampler.Mitchell)
        );
    }

    /// <summary>
    /// Below everything on the last page. The rule takes five points, and a little room keeps the last line on this
    /// page.
    /// </summary>
    internal void Foot(IReadOnlyList<string> lines)
    {
        if (lines.Count == 0)
            return;
        _y = Bottom - FootHeight(lines) + 12;
        Rule();
        foreach (var line in lines)
            Text(line, 9, SheetFonts.Regular);
    }

    /// <summary>The room that the foot takes.</summary>
    internal float FootHeight(IReadOnlyList<string> lines)
    {
        if (lines.Count == 0)
            return 0;
        var font = fonts.Of(SheetFonts.Regular, 9);
        return 20 + (lines.Sum(line => Wrapped(line, font, Right - Left).Count) * 13);
    }

    /// <summary>Leaves some room.</summary>
    internal void Space(float points) => _y += points;

    /// <summary>A line across, below what was written last.</summary>
    internal void Rule()
    {
        _canvas.DrawLine(Left, _y - 11, Right, _y - 11, Hairline);
        _y += 5;
    }

    /// <summary>One row of a table; cells that are empty are left out.</summary>
    internal void Row(float size, SKTypeface face, ReadOnlySpan<Column> columns, params ReadOnlySpan<string> cells)
    {
        Room(17);
        var font = fonts.Of(face, size);
        for (var i = 0; i < cells.Length; i++)
            if (cells[i].Length > 0)
                _canvas.DrawText(
                    cells[i],
                    columns[i].At,
                    _y,
                    columns[i].Figure ? SKTextAlign.Right : SKTextAlign.Left,
                    font,
                    Ink
                );
        _y += 17;
    }

    /// <summary>
    /// The tie bar of what is written next, on the same line: cash full, discount lighter, written off dotted, what stays
    /// open an outline.
    /// </summary>
    /// <param name="from">Where it begins.</param>
    /// <param name="to">Where it ends.</param>
    internal void Bar(float from, float to, long cash, long discount, long writeOff, long staysOpen)
    {
        Room(17);
        var (top, bottom, whole) = (_y - 8, _y + 1, (double)cash + discount + writeOff + staysOpen);
        if (whole <= 0)
            return;
        var at = from;
        foreach (
            var (part, paint) in new[] { (cash, Full), (discount, Lighter), (writeOff, Dotted), (staysOpen, Outline) }
        )
        {
            var end = at + (float)((to - from) * (part / whole));
            if (part > 0)
                _canvas.DrawRect(new SKRect(at, top, end, bottom), paint);
            at = end;
        }
    }

    /// <summary>How a text of a column is broken into lines.</summary>
    internal IReadOnlyList<string> InColumn(string text, float size, SKTypeface face, float width) =>
        Wrapped(text, fonts.Of(face, size), width);

    /// <param name="kept">How much room must be left below the last line.</param>
    internal void Paragraphs(string text, float kept = 0)
    {
        // A text that says nothing takes no room, least of all a page.
        if (string.IsNullOrWhiteSpace(text))
            return;
        var paragraphs = text.Split('\n');
        for (var i = 0; i < paragraphs.Length; i++)
        {
            Text(paragraphs[i].Trim(), 10.5f, SheetFonts.Regular, i == paragraphs.Length - 1 ? kept : 0);
            _y += 5;
        }
    }

    /// <summary>A text from margin to margin.</summary>
    /// <param name="kept">How much room must be left below the last line.</param>
    internal void Text(string text, float size, SKTypeface face, float kept = 0)
    {
        var font = fonts.Of(face, size);
        var lines = Wrapped(text, font, Right - Left);
        for (var i = 0; i < lines.Count; i++)
        {
            Room(size + 4 + (i == lines.Count - 1 ? kept : 0));
            _canvas.DrawText(lines[i], Left, _y, SKTextAlign.Left, font, Ink);
            _y += size + 4;
        }
    }

    /// <summary>Whether there is still so much room.</summary>
    internal bool HasRoom(float needed) => _y + needed <= Bottom;

    /// <summary>Turns the page when there is no room left; true when it did.</summary>
    internal bool Room(float needed)
    {
        if (HasRoom(needed))
            return false;
        end();
        Turn();
        return true;
    }

    private static List<string> Wrapped(string text, SKFont font, float width)
    {
        // Too short to reach the edge in any size that documents use.
        if (text.Length * font.Size < width * 0.9f)
            return [text];
        var (lines, line) = (new List<string>(), "");
        foreach (var word in text.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var longer = line.Length == 0 ? word : line + " " + word;
            if (line.Length > 0 && font.MeasureText(longer) > width)
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

    private void Turn()
    {
        _canvas = turn();
        _y = Top;
    }
}
