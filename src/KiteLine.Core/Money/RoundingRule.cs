namespace KiteLine.Core;

/// <summary>
/// How an exact amount becomes a whole number of minor units. A company chooses one for all its books.
/// </summary>
public enum RoundingRule
{
    /// <summary>0.5 of a minor unit goes away from zero: 2.345 → 2.35, −2.345 → −2.35. The default.</summary>
    HalfAwayFromZero,

    /// <summary>0.5 of a minor unit goes to the even neighbour: 2.345 → 2.34, 2.355 → 2.36.</summary>
    HalfToEven,
}
