using System.Text.RegularExpressions;

namespace KiteLine.Core;

/// <summary>A kind of identifier with its form and its check.</summary>
/// <param name="Code">The name used in records and imports, such as VAT-DE.</param>
/// <param name="Title">As a person would read it.</param>
/// <param name="Form">The form in words, told when a number does not fit.</param>
public sealed record IdentifierScheme(string Code, string Title, string Form)
{
    internal Regex? Pattern { get; init; }

    internal Func<string, bool> Check { get; init; } = _ => true;
}
