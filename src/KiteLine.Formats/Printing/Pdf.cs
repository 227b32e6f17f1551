using System.Globalization;
using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Makes PDF files of what is written on a sheet, with the shipped font embedded.</summary>
internal static class Pdf
{
    internal static byte[] Of(string title, string author, Action<Sheet> write)
    {
        using var stream = new MemoryStream();
        using (
            var document = SKDocument.CreatePdf(
                stream,
                new SKDocumentPdfMetadata
                {
                    Title = title,
                    Author = author,
                    Creator = "Kite Line",
                    RasterDpi = 72,
                    EncodingQuality = 90,
                }
            )
        )
        {
            using var fonts = new SheetFonts();
            write(new(() => document.BeginPage(Sheet.Width, Sheet.Height), document.EndPage, fonts));
            document.Close();
        }

        return stream.ToArray();
    }

    /// <summary>The first page as a PNG picture twice its size in points, drawn by the same code.</summary>
    internal static byte[] Picture(Action<Sheet> write)
    {
        using var first = SKSurface.Create(new SKImageInfo((int)Sheet.Width * 2, (int)Sheet.Height * 2));
        using var others = SKSurface.Create(new SKImageInfo(1, 1));
        first.Canvas.Clear(SKColors.White);
        first.Canvas.Scale(2);
        var pages = 0;
        using var fonts = new SheetFonts();
        write(new(() => pages++ == 0 ? first.Canvas : others.Canvas, () => { }, fonts));
        using var image = first.Snapshot();
        using var png = image.Encode(SKEncodedImageFormat.Png, 90);
        return png.ToArray();
    }

    /// <summary>A reference in groups of four, as references are printed.</summary>
    internal static string Spaced(string reference) => string.Join(' ', reference.Chunk(4).Select(c => new string(c)));

    /// <summary>An amount as documents print it, with groups of three.</summary>
    internal static string Figure(Money amount) =>
        amount.Amount.ToString(
            "N" + amount.Currency.Decimals.ToString(CultureInfo.InvariantCulture),
            CultureInfo.InvariantCulture
        );
}
