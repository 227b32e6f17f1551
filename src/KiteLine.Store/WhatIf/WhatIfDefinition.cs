using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What somebody asks of a what-if. What is left at null stays as it was.</summary>
/// <param name="Within">Which accounts: a kind and a value such as <c>owner:Ann</c>; empty for all.</param>
/// <param name="Terms">The version of the terms.</param>
/// <param name="LateCharges">The version of the late-charge policy.</param>
/// <param name="Reminders">The version of the reminder plan.</param>
/// <param name="LimitPercent">What limits are of what they were, in percent.</param>
/// <param name="MovesFrom">The annual cost in percent from which a discount moves the payment to its deadline.</param>
/// <param name="CostOfCapital">In percent a year.</param>
public sealed record WhatIfDefinition(
    DateOnly From,
    DateOnly To,
    string Within,
    NamedVersion? Terms,
    NamedVersion? LateCharges,
    NamedVersion? Reminders,
    decimal? LimitPercent,
    CheckResponses? Responses,
    decimal? MovesFrom,
    decimal CostOfCapital
)
{
    /// <summary>The period that is replayed.</summary>
    public MeasuredPeriod Period() => new(From, To);
}
