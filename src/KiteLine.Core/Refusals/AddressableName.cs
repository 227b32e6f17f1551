namespace KiteLine.Core;

/// <summary>
/// Names and codes that stand in an address of the interface and of the screen, such as an account's code: every one
/// that is taken can be reached there.
/// </summary>
public static class AddressableName
{
    /// <summary>Words that stand in the place of a name in an address and mean something else there.</summary>
    public static IReadOnlySet<string> Taken { get; } =
        new HashSet<string>(StringComparer.OrdinalIgnoreCase) { "export", "proposed-code", "try-out", "from-file" };

    /// <summary>What is wrong with a name, as a sentence; null when nothing is.</summary>
    public static string? Problem(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        if (TextBounds.Problem(name) is { } text)
            return text;
        // Programs that follow an address leave such steps out.
        if (name.Length > 0 && name.All(c => c == '.'))
            return "A name of dots alone cannot stand in an address; choose another.";
        if (Taken.Contains(name))
            return $"‘{name}’ means something else in addresses; choose another.";
        if (name.Contains("%2F", StringComparison.OrdinalIgnoreCase))
            return "‘%2F’ stands for a slash in addresses; leave it out.";
        return null;
    }

    /// <exception cref="RefusedException">It cannot be addressed; names the field.</exception>
    public static void Check(string field, string name)
    {
        if (Problem(name) is { } problem)
            throw new RefusedException(field, problem);
    }
}
