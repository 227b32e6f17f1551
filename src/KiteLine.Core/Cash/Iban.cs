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

    /// <summary>What is wrong with what should be one, as a sentence; null where it is valid.</summary>
    public static string? Problem(string text)
    {
        var iban = Plain(text);
        return IsValid(iban) ? null
            : iban.Length >= 2 && IbanLengths.Of(iban[..2]) is { } length && iban.Length != length
                ? $"An IBAN of {iban[..2]} has {length} characters and this one has {iban.Length}; compare it with the "
                    + "bank's letter."
            : "The check digits of this IBAN do not fit; compare it with the bank's letter.";
    }
}
