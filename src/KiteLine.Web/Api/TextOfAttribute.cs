namespace KiteLine.Web;

/// <summary>
/// A text of a request that holds a value of a closed set, or a date: it is described so, and read as a text, so that
/// what it holds instead is named by its field.
/// </summary>
[AttributeUsage(AttributeTargets.Property)]
internal sealed class TextOfAttribute : Attribute
{
    /// <param name="type">An enumeration, written by its names in camel case, or <see cref="DateOnly"/>.</param>
    public TextOfAttribute(Type type) => Type = type;

    /// <param name="names">All that the text may be.</param>
    public TextOfAttribute(params string[] names) => Names = names;

    public Type? Type { get; }

    public string[]? Names { get; }

    /// <summary>The text may be empty, for none of them.</summary>
    public bool OrEmpty { get; init; }

    /// <summary>What the text may be; null where the set is not closed.</summary>
    internal IEnumerable<string>? Choices() =>
        (Names ?? (Type is { IsEnum: true } ? Enum.GetNames(Type).Select(Fields.Camel) : null)) is { } names
            ? [.. names, .. OrEmpty ? [""] : Array.Empty<string>()]
            : null;
}
