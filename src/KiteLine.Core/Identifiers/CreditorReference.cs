using System.Buffers;
using System.Globalization;

namespace KiteLine.Core;

/// <summary>
/// A structured reference that a payer gives back to say what is paid: <c>RF</c>, two check digits, and a body of up to 21
/// letters and digits. Source: ISO 11649, check digits by ISO 7064 mod 97-10.
/// </summary>
public static class CreditorReference
{
    /// <summary>The most characters of a reference, the four at its front included.</summary>
    public const int Longest = 25;

    private static readonly SearchValues<char> LettersAndDigits = SearchValues.Create(
        "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ"
    );

    /// <summary>Whether a text without spaces, in capitals, has the form of a reference, whatever its check digits.</summary>
    public static bool HasForm(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        return text.Length is > 4 and <= Longest
            && text.StartsWith("RF", StringComparison.Ordinal)
            && char.IsAsciiDigit(text[2])
            && char.IsAsciiDigit(text[3])
            && !text.AsSpan(4).ContainsAnyExcept(LettersAndDigits);
    }

    /// <summary>Whether a text has the form of a reference and its check digits are right.</summary>
    public static bool IsValid(string text) => HasForm(text) && CheckDigits.Mod97(text[4..] + text[..4]) == 1;

    /// <summary>The reference of a body.</summary>
    /// <exception cref="ArgumentException">The body is empty, beyond 21 characters, or holds others than capital letters
    /// and digits.</exception>
    public static string Of(string body)
    {
        ArgumentNullException.ThrowIfNull(body);
        if (!HasForm($"RF00{body}"))
            throw new ArgumentException("A reference is made of 1 to 21 capital letters and digits.", nameof(body));
        var check = 98 - CheckDigits.Mod97($"{body}RF00");
        return string.Create(CultureInfo.InvariantCulture, $"RF{check:00}{body}");
    }

    /// <summary>
    /// The reference whose body is a document number without its separators; empty where the number has no such form.
    /// </summary>
    public static string ForDocument(string number)
    {
        ArgumentNullException.ThrowIfNull(number);
        var body = string.Concat(number.Where(char.IsAsciiLetterOrDigit)).ToUpperInvariant();
        return body.Length > 0 && HasForm($"RF00{body}") && number.All(IsPrinted) ? Of(body) : "";

        static bool IsPrinted(char c) => char.IsAsciiLetterOrDigit(c) || c is '-' or '/' or '.' or ' ' or '_';
    }
}
