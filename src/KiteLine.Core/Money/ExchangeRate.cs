namespace KiteLine.Core;

/// <summary>What one unit of a currency was worth in the company's base currency on a day.</summary>
/// <param name="Recorded">The business date on which it entered the books.</param>
/// <param name="Source">Where it came from.</param>
public sealed record ExchangeRate(
    Currency Currency,
    DateOnly On,
    decimal Rate,
    DateOnly Recorded = default,
    string Source = ""
)
{
    /// <summary>
    /// Who typed it or brought it in by a file, as what somebody did is compared by; empty where a service published it.
    /// </summary>
    public string By { get; init; } = "";
}
