namespace KiteLine.Core;

/// <summary>
/// A reference rate published from time to time, such as a central bank's. The company keeps the table.
/// </summary>
public sealed record ReferenceRate
{
    /// <summary>In rising order of dates; a rate holds from its day on until the next. May be below zero.</summary>
    public required IReadOnlyList<RateRow> Rates { get; init; }

    /// <summary>The rate in force on a day in percent a year, or null before the first.</summary>
    public decimal? On(DateOnly day) => Dated.InForce(Rates, r => r.From, day)?.AnnualRate;

    /// <summary>What is wrong, as field and sentence; empty when it can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (Rates.Count == 0)
            yield return ("rates", "Give at least one rate with the day it holds from.");
        for (var i = 0; i < Rates.Count; i++)
        {
            if (Rates[i].AnnualRate is < -20 or > 1000)
                yield return ($"rates[{i}].annualRate", "A reference rate is -20 to 1000 percent a year.");
            if (i > 0 && Rates[i].From <= Rates[i - 1].From)
                yield return ($"rates[{i}].from", "Rates stand in rising order of their dates, one for a date.");
        }
    }
}
