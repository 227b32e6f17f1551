namespace KiteLine.Core;

/// <summary>A service that publishes rates of exchange.</summary>
public interface IRateFeed
{
    /// <summary>Under which its rates stand in the books.</summary>
    string Name { get; }

    /// <summary>
    /// The rates published between two days, both included: units of the base currency for one of the other.
    /// </summary>
    IReadOnlyList<ExchangeRate> Between(DateOnly from, DateOnly to, Currency baseCurrency);
}
