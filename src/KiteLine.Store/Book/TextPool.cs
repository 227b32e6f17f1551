using System.Text;

namespace KiteLine.Store;

/// <summary>Gives the same string for the same text, so that what many rows share is held once.</summary>
internal sealed class TextPool
{
    private readonly Dictionary<string, string> _texts = new(StringComparer.Ordinal);

    internal string Text(Prepared query, int column)
    {
        var utf8 = query.Utf8(column);
        Span<char> characters = stackalloc char[64];
        if (utf8.Length > characters.Length)
            return Encoding.UTF8.GetString(utf8);
        var text = characters[..Encoding.UTF8.GetChars(utf8, characters)];
        var known = _texts.GetAlternateLookup<ReadOnlySpan<char>>();
        if (!known.TryGetValue(text, out var shared))
            known[text] = shared = text.ToString();
        return shared;
    }
}
