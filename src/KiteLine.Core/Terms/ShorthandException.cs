namespace KiteLine.Core;

/// <summary>Shorthand that cannot be read: where reading stopped, and what was expected there.</summary>
public sealed class ShorthandException(string text, int position, string expected)
    : Exception($"Terms ‘{text}’ cannot be read at position {position + 1}: expected {expected}.")
{
    /// <summary>
    /// The 0-based position in the text of the first character that does not fit; its length if it ended early.
    /// </summary>
    public int Position { get; } = position;

    /// <summary>What would have been readable there.</summary>
    public string Expected { get; } = expected;
}
