namespace KiteLine.Core;

/// <summary>What cases with something in common come to, in the base currency.</summary>
/// <param name="Key">What they have in common; empty where they have none.</param>
public sealed record LeakSum(string Key, string Name, int Cases, MoneySum Amount)
{
    /// <summary>
    /// The sums of cases, the largest first. Other currencies are converted at the rate of each case's day; cases without one
    /// are counted and add nothing.
    /// </summary>
    /// <param name="key">What cases have in common, with its name.</param>
    public static IReadOnlyList<LeakSum> Of(
        IEnumerable<LeakCase> cases,
        Func<LeakCase, (string Key, string Name)> key,
        ExchangeRates rates
    )
    {
        ArgumentNullException.ThrowIfNull(cases);
        ArgumentNullException.ThrowIfNull(rates);
        return
        [
            .. cases
                .GroupBy(c => key(c).Key, StringComparer.OrdinalIgnoreCase)
                .Select(of => new LeakSum(
                    of.Key,
                    key(of.First()).Name,
                    of.Count(),
                    new(
                        of.Aggregate(
                            Int128.Zero,
                            (sum, c) =>
                                sum
                                + (rates.ToBase(new(c.Amount.Minor, c.Amount.Currency), c.Day)?.Minor ?? Int128.Zero)
                        ),
                        rates.Base
                    )
                ))
                .OrderByDescending(s => s.Amount.Minor)
                .ThenBy(s => s.Key, StringComparer.OrdinalIgnoreCase),
        ];
    }
}
