using KiteLine.Core;

namespace KiteLine.Demo;

/// <summary>
/// Stands in for a credit agency. What it says of a customer is made up from its name, the same whenever it is asked in
/// a quarter.
/// </summary>
public sealed class SimulatedCreditAgency : ICreditAgency
{
    private static readonly (string Rating, decimal Share)[] Ratings =
    [
        ("A, very sound", 0.12m),
        ("B, sound", 0.08m),
        ("C, fair", 0.05m),
        ("D, weak", 0.02m),
        ("E, at risk", 0),
    ];

    /// <inheritdoc/>
    public AgencyReport? ReportOn(string name, Currency currency, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(name);
        ArgumentNullException.ThrowIfNull(currency);
        // A sum that is the same in every run, unlike the hash of a string.
        var seed =
            name.Aggregate(17L, (sum, c) => ((sum * 31) + c) % 1_000_003) + (day.Year * 4) + ((day.Month - 1) / 3);
        if (seed % 11 == 0)
            return null;
        var (rating, share) = Ratings[(int)(seed % 13 % 5)];
        var worth = Math.Round((decimal)Math.Exp(10.2 + (seed % 97 / 40.0)) / 1000) * 1000;
        return new(
            "Fathom Ratings (simulated)",
            day,
            rating,
            Money.Exact(Math.Round(worth * share / 500) * 500, currency),
            seed % 7 == 3 ? null : Money.Exact(worth, currency)
        );
    }
}
