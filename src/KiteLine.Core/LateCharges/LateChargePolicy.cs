namespace KiteLine.Core;

/// <summary>How overdue items are charged by the daily method.</summary>
/// <remarks>Amounts are in major units of the account's currency, rates in percent per year.</remarks>
public sealed record LateChargePolicy
{
    /// <summary>The word printed for it, since the law in some places allows one word and not another.</summary>
    public string Label { get; init; } = "Late charge";

    /// <summary>The rate table in rising order of dates. Days before its first row bear nothing.</summary>
    public required IReadOnlyList<RateRow> Rates { get; init; }

    public required DayCount DayCount { get; init; }

    /// <summary>Days past the due date up to and including which nothing is charged.</summary>
    public int WaitDays { get; init; }

    public CountFrom CountFrom { get; init; }

    /// <summary>Bands in rising order; none means the rate table alone.</summary>
    public IReadOnlyList<RateBand> Bands { get; init; } = [];

    /// <summary>The least a charge on one item may be, or null.</summary>
    public decimal? Minimum { get; init; }

    public BelowMinimum BelowMinimum { get; init; }

    /// <summary>The most a charge on one item may be, or null.</summary>
    public decimal? Maximum { get; init; }

    /// <summary>Calculated and shown on letters and quotes, but never posted.</summary>
    public bool ShownOnly { get; init; }

    /// <summary>What is wrong with the policy, as field and sentence; empty when it can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (Rates.Count == 0) yield return ("rates", "Give at least one rate with the day it holds from.");
        for (var i = 0; i < Rates.Count; i++)
        {
            if (Rates[i].AnnualRate is < 0 or > 1000) yield return ($"rates[{i}].annualRate", "A rate is 0 to 1000 percent a year.");
            if (i > 0 && Rates[i].From <= Rates[i - 1].From) yield return ($"rates[{i}].from", "Rates stand in rising order of their dates, one for a date.");
        }

        for (var i = 0; i < Bands.Count; i++)
        {
            if (Bands[i].Above <= 0) yield return ($"bands[{i}].above", "A band starts above an amount greater than zero.");
            if (Bands[i].AnnualRate is < 0 or > 1000) yield return ($"bands[{i}].annualRate", "A rate is 0 to 1000 percent a year.");
            if (i > 0 && Bands[i].Above <= Bands[i - 1].Above) yield return ($"bands[{i}].above", "Bands stand in rising order of their amounts.");
        }

        if (WaitDays is < 0 or > 3650) yield return ("waitDays", "The wait is 0 to 3650 days.");
        if (Minimum < 0) yield return ("minimum", "A minimum is not negative.");
        if (Maximum <= 0) yield return ("maximum", "A maximum is above zero.");
        if (Minimum > Maximum) yield return ("minimum", "The minimum is not above the maximum.");
    }
}
