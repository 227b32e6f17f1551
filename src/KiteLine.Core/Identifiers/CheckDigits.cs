namespace KiteLine.Core;

/// <summary>The sums that check digits of published numbers are made by.</summary>
internal static class CheckDigits
{
    /// <summary>The digits times their weights, added up. Characters beyond the weights are not looked at.</summary>
    internal static int Weighted(string digits, params ReadOnlySpan<int> weights)
    {
        var sum = 0;
        for (var i = 0; i < weights.Length; i++)
            sum += (digits[i] - '0') * weights[i];
        return sum;
    }

    /// <summary>Remainder by 97 of a number whose letters stand for 10 to 35. Source: ISO 7064, mod 97-10.</summary>
    internal static int Mod97(string text)
    {
        var rest = 0;
        foreach (var c in text)
            rest = char.IsAsciiDigit(c) ? ((rest * 10) + (c - '0')) % 97 : ((rest * 100) + (c - 'A' + 10)) % 97;
        return rest;
    }

    /// <summary>Whether the last digit is the one of ISO 7064, mod 11,10.</summary>
    internal static bool Mod1110(string digits)
    {
        var product = 10;
        for (var i = 0; i < digits.Length - 1; i++)
        {
            var sum = ((digits[i] - '0') + product) % 10;
            product = 2 * (sum == 0 ? 10 : sum) % 11;
        }

        return (11 - product) % 10 == digits[^1] - '0';
    }

    /// <summary>Whether the doubled-digit sum is divisible by 10. Source: ISO/IEC 7812-1, annex B.</summary>
    internal static bool Luhn(string digits)
    {
        var sum = 0;
        for (var i = 0; i < digits.Length; i++)
        {
            var digit = digits[digits.Length - 1 - i] - '0';
            sum +=
                i % 2 == 0 ? digit
                : digit < 5 ? 2 * digit
                : (2 * digit) - 9;
        }

        return sum % 10 == 0;
    }
}
