using System.Globalization;
using KiteLine.Core;

namespace KiteLine.Demo;

/// <summary>Bank accounts that are made up, with right check digits.</summary>
public static class MadeUpIban
{
    /// <summary>The bank account of a customer.</summary>
    /// <param name="number">The customer's own identifier.</param>
    public static string Of(long number) => With(number % 3 == 0 ? "WICK" : "MARL", number);

    /// <summary>An account of the company.</summary>
    public static string Own(int number) => With("HARW", number);

    // The check digits are those that make it right.
    private static string With(string bank, long number)
    {
        var rest = $"{bank}{(40_00_00 + number) % 1_000_000:D6}{(10_000_000 + (number * 7919)) % 100_000_000:D8}";
        return Enumerable
            .Range(2, 97)
            .Select(check => string.Create(CultureInfo.InvariantCulture, $"GB{check:D2}{rest}"))
            .First(Iban.IsValid);
    }
}
