using System.Buffers;
using System.Globalization;

namespace KiteLine.Core;

/// <summary>What a text may be that somebody typed or a file holds.</summary>
public static class TextBounds
{
    /// <summary>
    /// What is wrong with a text, as a sentence; null when nothing is. It is too long, or holds a control character or
    /// one that turns the direction of writing: such a name looks like another or spoils what it is printed in.
    /// </summary>
    /// <param name="most">The most characters it may have.</param>
    /// <param name="lines">It may have several lines, and tabs.</param>
    public static string? Problem(string text, int most = Bounds.Line, bool lines = false)
    {
        ArgumentNullException.ThrowIfNull(text);
        if (text.Length > most)
            return $"The text has {text.Length.ToString("N0", CultureInfo.InvariantCulture)} characters; give at most "
                + $"{most.ToString("N0", CultureInfo.InvariantCulture)}.";
        for (var from = 0; from < text.Length; from++)
        {
            var at = text.AsSpan(from).IndexOfAny(Hidden);
            if (at < 0)
                return null;
            from += at;
            if (!(lines && text[from] is '\n' or '\r' or '\t'))
                return $"The text holds the control character {(int)text[from]:X4} at place {from + 1}; leave it out.";
        }

        return null;
    }

    /// <exception cref="RefusedException">The text is none that may be given; names the field.</exception>
    public static void Check(string field, string text, int most = Bounds.Line, bool lines = false)
    {
        if (Problem(text, most, lines) is { } problem)
            throw new RefusedException(field, problem);
    }

    // Controls, and the marks that embed, override or isolate a direction of writing (Unicode, annex 9).
    private static readonly SearchValues<char> Hidden = SearchValues.Create([
        .. Enumerable.Range(0, char.MaxValue + 1).Select(c => (char)c).Where(char.IsControl),
        .. "\u202A\u202B\u202C\u202D\u202E\u2066\u2067\u2068\u2069",
    ]);
}
