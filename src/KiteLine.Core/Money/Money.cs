using System.Globalization;

namespace KiteLine.Core;

/// <summary>An amount that is exact to the minor unit of its currency. It cannot hold a fraction of a penny.</summary>
/// <remarks>Positive is owed to the company, negative is owed by it, wherever an amount has a side.</remarks>
public readonly record struct Money : IComparable<Money>
{
    private readonly Currency? _currency;

    private Money(long minor, Currency currency)
    {
        Minor = minor;
        _currency = currency;
    }

    /// <summary>The amount in minor units (pence, cents).</summary>
    public long Minor { get; }

    /// <summary>The currency. A default value has none and may not be used.</summary>
    public Currency Currency =>
        _currency ?? throw new InvalidOperationException("This Money was never given a currency.");

    /// <summary>
    /// The amount in major units (pounds, euros), with all decimals of the currency: 37.00 and not 37, also where it
    /// is printed by something that knows no currency.
    /// </summary>
    public decimal Amount
    {
        get
        {
            var magnitude = Minor < 0 ? unchecked((ulong)-Minor) : (ulong)Minor;
            return new(
                unchecked((int)magnitude),
                unchecked((int)(magnitude >> 32)),
                0,
                Minor < 0,
                (byte)Currency.Decimals
            );
        }
    }

    /// <summary>True when nothing is owed either way.</summary>
    public bool IsZero => Minor == 0;

    /// <summary>Nothing, in the given currency.</summary>
    public static Money Zero(Currency currency) => new(0, currency);

    /// <summary>An amount stated in minor units.</summary>
    public static Money FromMinor(long minor, Currency currency) => new(minor, currency);

    /// <summary>An amount stated in major units that must already be exact to the minor unit.</summary>
    /// <exception cref="ArgumentException">The amount has more decimals than the currency.</exception>
    /// <exception cref="OverflowException">The amount is beyond 92,233,720,368,547,758 minor units or so.</exception>
    public static Money Exact(decimal amount, Currency currency)
    {
        ArgumentNullException.ThrowIfNull(currency);
        var minor = amount * currency.MinorPerMajor;
        return minor == Math.Truncate(minor)
            ? new(decimal.ToInt64(minor), currency)
            : throw new ArgumentException(
                $"{amount} has more decimals than {currency.Code} allows ({currency.Decimals}).",
                nameof(amount)
            );
    }

    /// <summary>Rounds an exact amount in major units once, by the company's rule.</summary>
    public static Money Round(decimal exact, Currency currency, RoundingRule rule)
    {
        ArgumentNullException.ThrowIfNull(currency);
        return new(decimal.ToInt64(currency.Round(exact, rule) * currency.MinorPerMajor), currency);
    }

    /// <summary>The smaller of two amounts in the same currency.</summary>
    public static Money Min(Money a, Money b) => a <= b ? a : b;

    /// <summary>The larger of two amounts in the same currency.</summary>
    public static Money Max(Money a, Money b) => a >= b ? a : b;

    /// <summary>The sum. Both are of the same currency.</summary>
    /// <exception cref="OverflowException">It is beyond what minor units can hold.</exception>
    /// <exception cref="InvalidOperationException">The currencies differ.</exception>
    public static Money operator +(Money a, Money b) => new(checked(a.Minor + b.Minor), Same(a, b));

    /// <summary>The difference. Both are of the same currency.</summary>
    /// <exception cref="OverflowException">It is beyond what minor units can hold.</exception>
    /// <exception cref="InvalidOperationException">The currencies differ.</exception>
    public static Money operator -(Money a, Money b) => new(checked(a.Minor - b.Minor), Same(a, b));

    /// <summary>The same amount on the other side.</summary>
    public static Money operator -(Money a) => new(checked(-a.Minor), a.Currency);

    /// <summary>Whether one is less. Both are of the same currency.</summary>
    public static bool operator <(Money a, Money b) => a.CompareTo(b) < 0;

    /// <summary>Whether one is more. Both are of the same currency.</summary>
    public static bool operator >(Money a, Money b) => a.CompareTo(b) > 0;

    /// <summary>Whether one is not more. Both are of the same currency.</summary>
    public static bool operator <=(Money a, Money b) => a.CompareTo(b) <= 0;

    /// <summary>Whether one is not less. Both are of the same currency.</summary>
    public static bool operator >=(Money a, Money b) => a.CompareTo(b) >= 0;

    /// <summary>Compares two amounts in the same currency.</summary>
    /// <exception cref="InvalidOperationException">The currencies differ.</exception>
    public int CompareTo(Money other)
    {
        _ = Same(this, other);
        return Minor.CompareTo(other.Minor);
    }

    /// <summary>
    /// The amount as a plain decimal with all decimals of the currency and no grouping: <c>1176.00</c>.
    /// </summary>
    public override string ToString() =>
        Amount.ToString("F" + Currency.Decimals.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);

    private static Currency Same(Money a, Money b) =>
        ReferenceEquals(a.Currency, b.Currency)
            ? a.Currency
            : throw new InvalidOperationException(
                $"{a.Currency.Code} and {b.Currency.Code} cannot be added or compared without a rate."
            );
}
