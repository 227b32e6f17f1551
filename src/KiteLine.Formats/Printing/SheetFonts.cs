using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>The shipped fonts in the sizes that one document uses; each is made once a document.</summary>
internal sealed class SheetFonts : IDisposable
{
    internal static readonly SKTypeface Regular = Load("KiteLetterSans-Regular.ttf");
    internal static readonly SKTypeface Semibold = Load("KiteLetterSans-Semibold.ttf");
    private readonly Dictionary<(SKTypeface Face, float Size), SKFont> _made = [];

    /// <param name="size">In points.</param>
    internal SKFont Of(SKTypeface face, float size) =>
        _made.TryGetValue((face, size), out var font)
            ? font
            : _made[(face, size)] = new(face, size)
            {
                // Documents are set by their true widths, not by those of a screen's pixels.
                Subpixel = true,
                LinearMetrics = true,
                Hinting = SKFontHinting.None,
            };

    public void Dispose()
    {
        foreach (var font in _made.Values)
            font.Dispose();
        _made.Clear();
    }

    private static SKTypeface Load(string name)
    {
        using var font =
            typeof(SheetFonts).Assembly.GetManifestResourceStream($"KiteLine.Formats.Fonts.{name}")
            ?? throw new InvalidOperationException($"The font {name} is missing from the program.");
        return SKTypeface.FromStream(font);
    }
}
