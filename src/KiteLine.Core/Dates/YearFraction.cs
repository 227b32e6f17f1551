namespace KiteLine.Core;

/// <summary>
/// A part of a year as an exact fraction, so that what is multiplied by it is divided only once, at the end.
/// </summary>
/// <param name="Numerator">Not negative.</param>
/// <param name="Denominator">Above zero, and the same for every span of one convention, so that numerators can be added
/// up.</param>
public readonly record struct YearFraction(long Numerator, int Denominator)
{
    /// <summary>
    /// The fraction to the full precision of a decimal. 120/360 is cut off after 28 digits: multiply first where a tie
    /// matters.
    /// </summary>
    public decimal Value => (decimal)Numerator / Denominator;
}
