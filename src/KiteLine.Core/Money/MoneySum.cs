using System.Globalization;

namespace KiteLine.Core;

/// <summary>What the amounts of very many accounts add up to, which may be more than <see cref="Money"/> holds.</summary>
/// <param name="Minor">In minor units.</param>
public readonly record struct MoneySum(Int128 Minor, Currency Currency)
{
    /// <summary>In major units, with all decimals of its currency.</summary>
    public decimal Amount =>
        ((decimal)Minor / Currency.MinorPerMajor) + new decimal(0, 0, 0, false, (byte)Currency.Decimals);

    /// <summary>Written as an amount of <see cref="Money"/> is.</summary>
    public override string ToString() =>
        Amount.ToString("F" + Currency.Decimals.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture);
}
