using KiteLine.Core;

namespace KiteLine.Demo;

/// <summary>
/// Stands in for a service that publishes rates of exchange on each business day. Its rates are made up: a slow wave
/// around a round figure, the same for the same day.
/// </summary>
public sealed class SimulatedRateFeed : IRateFeed
{
    /// <inheritdoc/>
    public string Name => "simulated rate feed";

    private static readonly (string Currency, double InPounds)[] Published =
    [
        ("EUR", 0.85),
        ("USD", 0.78),
        ("NOK", 0.072),
        ("SEK", 0.074),
        ("DKK", 0.114),
        ("GBP", 1),
    ];

    /// <inheritdoc/>
    public IReadOnlyList<ExchangeRate> Between(DateOnly from, DateOnly to, Currency baseCurrency)
    {
        ArgumentNullException.ThrowIfNull(baseCurrency);
        var rates = new List<ExchangeRate>();
        for (var day = from; day <= to; day = day.AddDays(1))
        {
            if (!BusinessCalendar.WeekendsOnly.IsBusinessDay(day))
                continue;
            var home = Published.FirstOrDefault(p => p.Currency == baseCurrency.Code);
            if (home.Currency is null)
                return [];
            foreach (var p in Published.Where(p => p.Currency != baseCurrency.Code))
                rates.Add(
                    new(
                        Currency.Of(p.Currency),
                        day,
                        Math.Round((decimal)(On(p, day) / On(home, day)), 5),
                        Source: Name
                    )
                );
        }

        return rates;
    }

    private static double On((string Currency, double InPounds) p, DateOnly day) =>
        p.Currency == "GBP"
            ? 1
            : p.InPounds
                * (
                    1
                    + (0.02 * Math.Sin((day.DayNumber / 47.0) + p.Currency[0]))
                    + (0.004 * Math.Sin(day.DayNumber * 1.7))
                );
}
