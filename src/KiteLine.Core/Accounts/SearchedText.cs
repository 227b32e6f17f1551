namespace KiteLine.Core;

/// <summary>A text that was typed to find something by.</summary>
public sealed class SearchedText
{
    /// <summary>Beyond so many characters the rest is not looked at.</summary>
    public const int MaxLength = 100;

    private const int FewestDigits = 4;

    /// <param name="typed">As it was typed.</param>
    public SearchedText(string typed)
    {
        ArgumentNullException.ThrowIfNull(typed);
        var text = typed.Trim();
        Plain = PlainLetters.Of(text.Length > MaxLength ? text[..MaxLength] : text);
        var digits = DigitsOf(Plain);
        if (
            digits.Length >= FewestDigits
            && Plain.All(c => char.IsAsciiDigit(c) || " +-()./".Contains(c, StringComparison.Ordinal))
        )
            Digits = digits;
    }

    /// <summary>In small plain letters.</summary>
    public string Plain { get; }

    /// <summary>
    /// Its digits where it can be a telephone or other number, without zeros in front: 01736 and +44 1736 are both
    /// found
    /// by 1736. Null for anything else.
    /// </summary>
    public string? Digits { get; }

    /// <summary>
    /// The digits of a number as it is dialled from abroad, or within a country without the leading zero.
    /// </summary>
    public static string DigitsOf(string number)
    {
        ArgumentNullException.ThrowIfNull(number);
        return new string([.. number.Replace("(0)", "", StringComparison.Ordinal).Where(char.IsAsciiLetterOrDigit)])
            .TrimStart('0')
            .ToLowerInvariant();
    }
}
