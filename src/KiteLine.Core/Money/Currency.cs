using System.Diagnostics.CodeAnalysis;

namespace KiteLine.Core;

/// <summary>An ISO 4217 currency: its three-letter code and the number of decimals of its minor unit.</summary>
/// <remarks>Only instances from the table exist, so two equal codes are the same instance.</remarks>
public sealed class Currency
{
    private static readonly Dictionary<string, Currency> Table = CurrencyTable
        .Codes()
        .ToDictionary(c => c.Code, c => new Currency(c.Code, c.Decimals), StringComparer.Ordinal);

    private Currency(string code, int decimals)
    {
        Code = code;
        Decimals = decimals;
        MinorPerMajor = decimals switch
        {
            0 => 1,
            1 => 10,
            2 => 100,
            3 => 1_000,
            _ => 10_000,
        };
    }

    /// <summary>The ISO 4217 alphabetic code, in capitals.</summary>
    public string Code { get; }

    /// <summary>Decimals of the minor unit: 2 for most, 0 for yen, 3 for some dinars.</summary>
    public int Decimals { get; }

    /// <summary>How many minor units make one major unit.</summary>
    public int MinorPerMajor { get; }

    /// <summary>All currencies of the table, by code.</summary>
    public static IEnumerable<Currency> All => Table.Values.OrderBy(c => c.Code, StringComparer.Ordinal);

    /// <summary>The currency with this code.</summary>
    /// <exception cref="ArgumentException">The code is not in the ISO 4217 table.</exception>
    public static Currency Of(string code) =>
        TryOf(code, out var currency)
            ? currency
            : throw new ArgumentException($"‘{code}’ is not an ISO 4217 currency code.", nameof(code));

    /// <summary>Finds the currency with this code, which is case-sensitive and three letters long.</summary>
    public static bool TryOf(string? code, [NotNullWhen(true)] out Currency? currency)
    {
        currency = null;
        return code is not null && Table.TryGetValue(code, out currency);
    }

    /// <summary>
    /// Whether an amount in major units is exact to the minor unit: 12.50 is in pounds and is not in yen.
    /// </summary>
    public bool Fits(decimal amount) => decimal.Round(amount, Decimals) == amount;

    /// <summary>Rounds an exact amount in major units to this currency's minor unit.</summary>
    public decimal Round(decimal exact, RoundingRule rule) =>
        Math.Round(
            exact,
            Decimals,
            rule == RoundingRule.HalfToEven ? MidpointRounding.ToEven : MidpointRounding.AwayFromZero
        );

    /// <inheritdoc/>
    public override string ToString() => Code;
}
