namespace KiteLine.Core;

/// <summary>Terms that make no sense, with the part that is wrong. The message is fit to be shown to a user.</summary>
public sealed class TermsException(string field, string message) : Exception(message)
{
    /// <summary>
    /// Which part is wrong: <c>instalments</c>, <c>discounts</c>, or one element such as <c>instalments[1].percent</c>.
    /// </summary>
    public string Field { get; } = field;
}
