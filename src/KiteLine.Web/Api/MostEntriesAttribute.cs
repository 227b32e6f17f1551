namespace KiteLine.Web;

/// <summary>
/// How many entries a list of a request may have, where that is not <see cref="Core.Bounds.List"/>.
/// </summary>
[AttributeUsage(AttributeTargets.Property)]
internal sealed class MostEntriesAttribute(int most) : Attribute
{
    internal int Most { get; } = most;
}
