namespace KiteLine.Core;

/// <summary>Whether two customers' names may stand for the same business.</summary>
public static class NameLikeness
{
    // Beside its form, what says that it is a family's.
    private const string Family = "SONS";

    /// <summary>
    /// The words of a name by which it is known: letters and digits in capitals, without what any business may be
    /// called.
    /// </summary>
    public static IReadOnlyList<string> Words(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        var words = new string([
            .. name.Select(c =>
                char.IsLetterOrDigit(c) ? char.ToUpperInvariant(c)
                : c is '\'' or '’' or '.' ? '\0'
                : ' '
            ),
        ]).Replace("\0", "", StringComparison.Ordinal).Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var own = words.Where(w => w != Family && !LegalForms.Words.Contains(w)).ToArray();
        return own.Length > 0 ? own : words;
    }

    /// <summary>
    /// Whether the names have the same words in any order, or all words of the one typed, of which there are two or
    /// more or one of at least five letters, stand in the other.
    /// </summary>
    public static bool Alike(IReadOnlyList<string> typed, IReadOnlyList<string> other)
    {
        ArgumentNullException.ThrowIfNull(typed);
        ArgumentNullException.ThrowIfNull(other);
        if (typed.Count == 0 || (typed.Count == 1 && typed[0].Length < 5))
            return typed.Count == 1 && other.Count == 1 && typed[0] == other[0];
        return typed.All(other.Contains);
    }
}
