using System.Globalization;

namespace KiteLine.Core;

/// <summary>A reading position in a shorthand text. Spaces before anything are skipped.</summary>
internal sealed class ShorthandScanner(string text)
{
    private int _at;

    internal bool AtEnd => Mark() == text.Length;

    internal int Mark()
    {
        while (_at < text.Length && char.IsWhiteSpace(text[_at]))
            _at++;
        return _at;
    }

    internal void Return(int mark) => _at = mark;

    internal bool Peek(char c) => Mark() < text.Length && text[_at] == c;

    internal bool Take(char c)
    {
        if (!Peek(c))
            return false;
        _at++;
        return true;
    }

    internal bool TakeText(string word)
    {
        if (string.Compare(text, Mark(), word, 0, word.Length, StringComparison.OrdinalIgnoreCase) != 0)
            return false;
        _at += word.Length;
        return true;
    }

    /// <summary>Takes a word that no further letter follows, so that "n" is not found in "now".</summary>
    internal bool TakeWord(string word)
    {
        var start = Mark();
        if (!TakeText(word))
            return false;
        if (_at == text.Length || !char.IsLetter(text[_at]))
            return true;
        _at = start;
        return false;
    }

    internal void Need(string word)
    {
        if (!TakeText(word))
            throw Expected($"‘{word}’");
    }

    internal bool TryInteger(out int value)
    {
        var start = Mark();
        var end = start;
        while (end < text.Length && char.IsAsciiDigit(text[end]))
            end++;
        value = 0;
        if (end == start || end - start > 4)
            return false;
        value = int.Parse(text.AsSpan(start, end - start), CultureInfo.InvariantCulture);
        _at = end;
        return true;
    }

    internal bool TryDecimal(out decimal value)
    {
        var start = Mark();
        var end = start;
        while (end < text.Length && (char.IsAsciiDigit(text[end]) || text[end] == '.'))
            end++;
        if (
            end == start
            || end - start > 20
            || !decimal.TryParse(
                text.AsSpan(start, end - start),
                NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture,
                out value
            )
        )
        {
            value = 0;
            return false;
        }

        _at = end;
        return true;
    }

    internal ShorthandException Expected(string what) => new(text, Mark(), what);

    internal ShorthandException ExpectedAt(int position, string what) => new(text, position, what);
}
