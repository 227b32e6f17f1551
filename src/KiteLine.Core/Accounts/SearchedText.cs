namespace KiteLine.Core;

/// <summary>A text that was typed to find something by.</summary>
public sealed class SearchedText
{
    /// <summary>Beyond so many characters the rest is not looked at.</summary>
    public const int MaxLength = 100;

    private const int FewestDigits = 4;

    // A number dialled from abroad has a country's digits in front that the record may not have; these at its end tell.
    private const int DigitsFromAbroad = 8;

    /// <param name="typed">As it was typed.</param>
    public SearchedText(string typed)
    {
        ArgumentNullException.ThrowIfNull(typed);
        var text = typed.Trim();
        Plain = PlainLetters.Of(text.Length > MaxLength ? text[..MaxLength] : text);
        if (Plain.Count(char.IsAsciiDigit) < FewestDigits || !Plain.All(IsOfNumber))
            return;
        var number = NumberOf(Plain);
        var abroad = Plain.StartsWith('+') || Plain.StartsWith("00", StringComparison.Ordinal);
        Number = abroad && number.Length > DigitsFromAbroad ? number[^DigitsFromAbroad..] : number;
    }

    /// <summary>In small plain letters.</summary>
    public string Plain { get; }

    /// <summary>
    /// What tells a telephone number or an identifier, however it is written: 01736 554120, +44 1736 554120 and
    /// 01736554120 find the same. Null for what can be neither.
    /// </summary>
    public string? Number { get; }

    /// <summary>A number as it is compared: letters and digits alone, without zeros in front.</summary>
    public static string NumberOf(string written)
    {
        ArgumentNullException.ThrowIfNull(written);
        var alone = written.Replace("(0)", "", StringComparison.Ordinal).Where(char.IsAsciiLetterOrDigit);
        return string.Concat(alone).TrimStart('0').ToLowerInvariant();
    }

    private static bool IsOfNumber(char c) =>
        char.IsAsciiLetterOrDigit(c) || " +-()./".Contains(c, StringComparison.Ordinal);
}
