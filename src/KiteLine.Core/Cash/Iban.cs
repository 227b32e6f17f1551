namespace KiteLine.Core;

/// <summary>International bank account numbers. Source: ISO 13616, check digits by ISO 7064 mod 97-10.</summary>
public static class Iban
{
    /// <summary>The number without spaces, in capitals.</summary>
    public static string Plain(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return new string([.. text.Where(c => !char.IsWhiteSpace(c))]).ToUpperInvariant();
    }

    /// <summary>
    /// Whether the length is that of its country, and form and check digits are right; spaces and case do not matter. The
    /// bank's own part is not looked into.
    /// </summary>
    public static bool IsValid(string text)
    {
        var iban = Plain(text);
        if (iban.Length < 4 || IbanLengths.Of(iban[..2]) != iban.Length || !iban.All(char.IsAsciiLetterOrDigit))
            return false;
        if (!char.IsAsciiDigit(iban[2]) || !char.IsAsciiDigit(iban[3]))
            return false;
        return CheckDigits.Mod97(iban[4..] + iban[..4]) == 1;
    }
}
