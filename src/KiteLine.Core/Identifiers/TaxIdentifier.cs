using System.Text.RegularExpressions;

namespace KiteLine.Core;

/// <summary>
/// Identifiers that authorities give to businesses, with the form and the check digit each country publishes. Numbers
/// are kept without spaces, dots and hyphens, in capitals.
/// </summary>
/// <remarks>
/// The rules of the member states are those published with the European Commission's VIES service, the United Kingdom's
/// those of HMRC's VAT notes, Australia's those of its Taxation Office; all from memory. Held against the npm package
/// <c>jsvat</c> by the tests.
/// </remarks>
public static class TaxIdentifier
{
    private const int CommonCheck = 97;

    /// <summary>
    /// The kinds there are, in the order they are offered. The last takes any number without a check.
    /// </summary>
    public static IReadOnlyList<IdentifierScheme> Schemes { get; } =
    [
        Scheme(
            "VAT-GB",
            "VAT number, United Kingdom",
            "GB and 9 digits, such as GB 980 7806 84",
            "^GB(\\d{9}|\\d{12})$",
            UnitedKingdom
        ),
        Scheme(
            "VAT-IE",
            "VAT number, Ireland",
            "IE, 7 digits and one or two letters, such as IE 6433435 F",
            "^IE\\d{7}[A-W][A-I]?$",
            Ireland
        ),
        Scheme(
            "VAT-DE",
            "VAT number, Germany",
            "DE and 9 digits, such as DE 136 695 976",
            "^DE[1-9]\\d{8}$",
            n => CheckDigits.Mod1110(n)
        ),
        Scheme(
            "VAT-FR",
            "VAT number, France",
            "FR, 2 digits and 9 digits, such as FR 83 404 833 048",
            "^FR\\d{11}$",
            France
        ),
        Scheme(
            "VAT-NL",
            "VAT number, Netherlands",
            "NL, 9 digits, B and 2 digits, such as NL 0044 9544 5 B01",
            "^NL\\d{9}B\\d{2}$",
            Netherlands
        ),
        Scheme(
            "VAT-BE",
            "VAT number, Belgium",
            "BE and 10 digits, such as BE 0403 170 701",
            "^BE[01]\\d{9}$",
            n =>
                CommonCheck - (int)(long.Parse(n[..8], System.Globalization.CultureInfo.InvariantCulture) % CommonCheck)
                == Two(n, 8)
        ),
        Scheme(
            "VAT-IT",
            "VAT number, Italy",
            "IT and 11 digits, such as IT 0015 9560 366",
            "^IT\\d{11}$",
            n => CheckDigits.Luhn(n)
        ),
        Scheme(
            "VAT-DK",
            "VAT number, Denmark",
            "DK and 8 digits, such as DK 135 856 28",
            "^DK\\d{8}$",
            n => CheckDigits.Weighted(n, 2, 7, 6, 5, 4, 3, 2, 1) % 11 == 0
        ),
        Scheme(
            "ABN",
            "Business number, Australia",
            "11 digits in groups of 2, 3, 3 and 3",
            "^\\d{11}$",
            Australia,
            country: 0
        ),
        new("OTHER", "Other number", "up to 40 characters"),
    ];

    /// <summary>The scheme with this code, or null.</summary>
    public static IdentifierScheme? Find(string? code) => Schemes.FirstOrDefault(s => s.Code == code);

    /// <summary>The number as it is kept.</summary>
    public static string Plain(string number)
    {
        ArgumentNullException.ThrowIfNull(number);
        return new string([
            .. number.Where(c => !char.IsWhiteSpace(c) && c is not ('.' or '-' or '/')),
        ]).ToUpperInvariant();
    }

    /// <summary>What is wrong with a number, as a sentence; null when form and check digit are right.</summary>
    public static string? Problem(string scheme, string number)
    {
        if (Find(scheme) is not { } found)
            return $"Choose one of {string.Join(", ", Schemes.Select(s => s.Code))}.";
        var plain = Plain(number);
        if (plain.Length is 0 or > 40)
            return "Give the number, up to 40 characters.";
        if (found.Pattern is null)
            return null;
        if (!found.Pattern.IsMatch(plain))
            return $"A number of this kind is {found.Form}.";
        return found.Check(plain) ? null : "The check digits do not fit; one of the digits is wrong.";
    }

    private static IdentifierScheme Scheme(
        string code,
        string title,
        string form,
        string pattern,
        Func<string, bool> check,
        int country = 2
    ) =>
        new(code, title, form)
        {
            Pattern = new Regex(pattern, RegexOptions.CultureInvariant),
            Check = number => check(number[country..]),
        };

    private static int Two(string digits, int at) => ((digits[at] - '0') * 10) + digits[at + 1] - '0';

    // Numbers given out since 2010 are made with 55 taken off.
    private static bool UnitedKingdom(string n)
    {
        var sum = CheckDigits.Weighted(n, 8, 7, 6, 5, 4, 3, 2) + Two(n, 7);
        return sum % CommonCheck == 0 || (sum + 55) % CommonCheck == 0;
    }

    private static bool Ireland(string n)
    {
        var sum = CheckDigits.Weighted(n, 8, 7, 6, 5, 4, 3, 2) + (n.Length > 8 ? 9 * (n[8] - 'A' + 1) : 0);
        return "WABCDEFGHIJKLMNOPQRSTUV"[sum % 23] == n[7];
    }

    private static bool France(string n) =>
        (12 + (3 * (int)(long.Parse(n[2..], System.Globalization.CultureInfo.InvariantCulture) % CommonCheck)))
            % CommonCheck
        == Two(n, 0);

    // Companies' numbers have a check digit; sole traders' since 2020 are checked as a whole.
    private static bool Netherlands(string n) =>
        CheckDigits.Weighted(n, 9, 8, 7, 6, 5, 4, 3, 2) % 11 == n[8] - '0' || CheckDigits.Mod97("NL" + n) == 1;

    private static bool Australia(string n) =>
        (CheckDigits.Weighted(n, 10, 1, 3, 5, 7, 9, 11, 13, 15, 17, 19) - 10) % 89 == 0;
}
