using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Makes a picture that somebody sent fit for the head of what is printed.</summary>
public static class LetterheadPicture
{
    /// <summary>The largest file that is taken, in bytes.</summary>
    public const int MaxBytes = 2_000_000;

    // As many points as it is printed at most, at 288 to the inch.
    private const int Widest = 800,
        Highest = 320;

    // What a small file can be blown up to is looked at before it is read.
    private const long MostPoints = 25_000_000;

    /// <summary>
    /// The picture as PNG, made smaller where it is larger than it is ever printed; what else the file held is gone.
    /// </summary>
    /// <exception cref="RefusedException">It is no PNG or JPEG that can be read, or has too many points; names the field
    /// <c>file</c>.</exception>
    public static byte[] Of(byte[] file)
    {
        ArgumentNullException.ThrowIfNull(file);
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.EncodedFormat is not (SKEncodedImageFormat.Png or SKEncodedImageFormat.Jpeg))
            throw new RefusedException("file", "Send a picture as PNG or JPEG.");
        var (width, height) = (codec.Info.Width, codec.Info.Height);
        if ((long)width * height > MostPoints)
            throw new RefusedException(
                "file",
                $"The picture has {width} × {height} points; one of {Widest} × {Highest} is printed sharply."
            );
        using var read = new SKBitmap(new SKImageInfo(width, height, SKColorType.Rgba8888, SKAlphaType.Premul));
        if (codec.GetPixels(read.Info, read.GetPixels()) != SKCodecResult.Success)
            throw new RefusedException("file", "The picture cannot be read to its end; send it again.");
        var scale = Math.Min(1, Math.Min((float)Widest / width, (float)Highest / height));
        using var fitted =
            scale < 1
                ? read.Resize(
                    new SKImageInfo(Math.Max(1, (int)(width * scale)), Math.Max(1, (int)(height * scale))),
                    new SKSamplingOptions(SKCubicResampler.Mitchell)
                )
                : read.Copy();
        using var png = fitted.Encode(SKEncodedImageFormat.Png, 100);
        return png.ToArray();
    }
}
