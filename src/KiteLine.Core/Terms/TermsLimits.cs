namespace KiteLine.Core;

/// <summary>From when on the company is warned about terms. Nothing is forbidden by it.</summary>
/// <param name="AnnualCost">The highest simple cost of a discount in percent a year, or null when any is fine.</param>
/// <param name="PaymentDays">The longest time to pay in days, or null when any is fine.</param>
/// <param name="PaymentDaysSource">Where that longest time is laid down.</param>
public sealed record TermsLimits(
    decimal? AnnualCost = null,
    int? PaymentDays = 60,
    string PaymentDaysSource = "Directive 2011/7/EU, article 3(5)"
);
