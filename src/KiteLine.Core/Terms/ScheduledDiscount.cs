namespace KiteLine.Core;

/// <summary>One discount of a schedule.</summary>
/// <param name="Deadline">The last value date on which payment earns it, without grace days.</param>
/// <param name="Percent">The percentage, or null for a fixed amount.</param>
/// <param name="Amount">The discount on the whole invoice, rounded once.</param>
/// <param name="Payable">The invoice total less the discount.</param>
/// <param name="SimpleAnnualCost">Fraction per year; null where the last due date is not after the deadline.</param>
/// <param name="EffectiveAnnualCost">Fraction per year; null likewise.</param>
public sealed record ScheduledDiscount(
    DateOnly Deadline,
    decimal? Percent,
    Money Amount,
    Money Payable,
    decimal? SimpleAnnualCost,
    decimal? EffectiveAnnualCost
);
