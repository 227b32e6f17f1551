namespace KiteLine.Web;

/// <summary>
/// How many characters a text of a request may have, where that is not <see cref="Core.Bounds.Line"/> of one line.
/// </summary>
[AttributeUsage(AttributeTargets.Property)]
internal sealed class MostCharactersAttribute(int most) : Attribute
{
    internal int Most { get; } = most;

    /// <summary>The text may have several lines.</summary>
    public bool Lines { get; init; }
}
