using System.Globalization;

namespace KiteLine.Core;

/// <summary>Short codes by which accounts are known on the telephone.</summary>
public static class AccountCode
{
    /// <summary>What is wanted, as a sentence.</summary>
    public const string Wanted =
        "A code is 1 to 20 letters, digits, hyphens, dots, slashes or underscores, with a letter or a digit among them, "
        + "and no word such as export that means something else in addresses.";

    /// <summary>The longest code that is accepted.</summary>
    public const int MaxLength = 20;

    /// <summary>
    /// Whether a code can be used: letters, digits, hyphen, dot, slash or underscore, 1 to 20 of them, that can stand in
    /// an address.
    /// </summary>
    public static bool IsValid(string code)
    {
        ArgumentNullException.ThrowIfNull(code);
        return code.Length is > 0 and <= MaxLength
            && code.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '.' or '_' or '/')
            && AddressableName.Problem(code) is null;
    }

    /// <summary>
    /// The letters a proposed code begins with: the first three of the name, in capitals; X fills up.
    /// </summary>
    public static string Prefix(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        var letters = name.Select(PlainLetters.Of).Where(char.IsAsciiLetter).Take(3).ToArray();
        return new string(letters).ToUpperInvariant().PadRight(3, 'X');
    }

    /// <summary>The first code of the form <c>PEL01</c> that is not taken.</summary>
    public static string Propose(string name, Func<string, bool> taken, int from = 1)
    {
        ArgumentNullException.ThrowIfNull(taken);
        var prefix = Prefix(name);
        for (var number = from; ; number++)
        {
            var code = prefix + number.ToString("00", CultureInfo.InvariantCulture);
            if (!taken(code))
                return code;
        }
    }
}
