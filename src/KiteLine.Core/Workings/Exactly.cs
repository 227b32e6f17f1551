using System.Globalization;

namespace KiteLine.Core;

/// <summary>Writes unrounded figures and dates for workings, answers and letters.</summary>
public static class Exactly
{
    /// <summary>
    /// A decimal with at least and at most the given decimals; what is cut off is rounded half away from zero.
    /// </summary>
    public static string Figure(decimal value, int least, int most) =>
        value.ToString("0." + new string('0', least) + new string('#', most - least), CultureInfo.InvariantCulture);

    /// <summary>A percentage or rate without needless zeros: <c>2</c>, <c>2.5</c>, <c>11.75</c>.</summary>
    public static string Plain(decimal value) => value.ToString("0.############", CultureInfo.InvariantCulture);

    /// <summary>A price as it is printed: with the decimals of its currency at least, and as many as it has.</summary>
    /// <param name="decimals">Of the currency's minor unit.</param>
    public static string Price(decimal price, int decimals) => Figure(price, decimals, 12);

    /// <summary>A date as people write it in letters and workings: <c>16 Mar 2026</c>.</summary>
    public static string Day(DateOnly day) => day.ToString("d MMM yyyy", CultureInfo.InvariantCulture);
}
