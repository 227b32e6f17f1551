namespace KiteLine.Core;

/// <summary>The number of a bank account: an IBAN, or another one where the country has none.</summary>
public static class BankAccountNumber
{
    /// <summary>The most characters of one.</summary>
    public const int Longest = 40;

    /// <summary>Reads one; spaces do not count.</summary>
    /// <returns>Without spaces and in capitals.</returns>
    /// <exception cref="RefusedException">It is none, or the check digits of an IBAN do not fit.</exception>
    public static string Read(string text, string field) =>
        TryRead(text, out var plain) is { } problem ? throw new RefusedException(field, problem) : plain;

    /// <summary>What is wrong with it; null where it can be used.</summary>
    public static string? TryRead(string text, out string plain)
    {
        plain = Iban.Plain(text ?? "");
        return plain.Length is 0 or > Longest || TextBounds.Problem(plain) is not null
                ? $"Give the IBAN, or another account number of up to {Longest} characters."
            : LooksLikeIban(plain) ? Iban.Problem(plain)
            : null;
    }

    // Two letters, two digits, and long enough to be one that lost a few characters: a slip in it must not pass as another
    // number. The shortest that is used has 15.
    private static bool LooksLikeIban(string plain) =>
        plain.Length >= 12
        && char.IsAsciiLetter(plain[0])
        && char.IsAsciiLetter(plain[1])
        && char.IsAsciiDigit(plain[2])
        && char.IsAsciiDigit(plain[3]);
}
