using System.Globalization;
using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Prints reminder letters as PDF on A4, with the shipped font embedded.</summary>
public static class LetterPdf
{
    private const float Width = 595,
        Height = 842;

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
            using var fonts = new LetterFonts();
            new LetterPage(() => document.BeginPage(Width, Height), document.EndPage, letter, fonts).Print();
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
        using var fonts = new LetterFonts();
        new LetterPage(() => pages++ == 0 ? first.Canvas : others.Canvas, () => { }, letter, fonts).Print();
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
}
