namespace KiteLine.Core;

/// <summary>E-mail addresses, of which several may stand in one field, separated by semicolons or commas.</summary>
public static class EmailAddresses
{
    /// <summary>As many people as one document goes to at most.</summary>
    public const int Most = 10;

    private static readonly char[] Marks = [';', ','];

    /// <summary>What is wanted, as a sentence.</summary>
    public const string Wanted =
        "Give an e-mail address such as accounts@customer.example, or up to ten separated by semicolons.";

    /// <summary>
    /// Whether a text can be an e-mail address: something, an at sign and a domain with a dot, no spaces.
    /// </summary>
    public static bool IsOne(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        var at = text.IndexOf('@', StringComparison.Ordinal);
        return at > 0
            && text.LastIndexOf('@') == at
            && text.IndexOf('.', at) > at + 1
            && !text.EndsWith('.')
            && text.Length <= 254
            && !text.Any(c => char.IsWhiteSpace(c) || char.IsControl(c) || c is '<' or '>' or '"');
    }

    /// <summary>The addresses in their order, each once; empty for none.</summary>
    public static IReadOnlyList<string> Of(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return
        [
            .. text.Split(Marks, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Distinct(StringComparer.OrdinalIgnoreCase),
        ];
    }

    /// <summary>Whether the field holds addresses alone, at most <see cref="Most"/>; an empty one does.</summary>
    public static bool AreSound(string text) => Of(text) is { Count: <= Most } all && all.All(IsOne);
}
