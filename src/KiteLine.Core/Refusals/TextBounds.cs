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
        for (var i = 0; i < text.Length; i++)
            if (Hidden(text[i]) && !(lines && text[i] is '\n' or '\r' or '\t'))
                return $"The text holds the control character {(int)text[i]:X4} at place {i + 1}; leave it out.";
        return null;
    }

    /// <exception cref="RefusedException">The text is none that may be given; names the field.</exception>
    public static void Check(string field, string text, int most = Bounds.Line, bool lines = false)
    {
        if (Problem(text, most, lines) is { } problem)
            throw new RefusedException(field, problem);
    }

    // Controls, and the marks that embed, override or isolate a direction of writing (Unicode, annex 9).
    private static bool Hidden(char c) =>
        char.IsControl(c) || c is (>= '\u202A' and <= '\u202E') or (>= '\u2066' and <= '\u2069');
}
