namespace KiteLine.Core;

/// <summary>
/// What a replay of the past replaces. What is left at null stays as it was for each account, item and posting.
/// </summary>
public sealed record WhatIfChange
{
    /// <summary>Nothing is replaced: the replay then comes to what happened.</summary>
    public static WhatIfChange None { get; } = new();

    /// <summary>Terms of the invoices dated in the period.</summary>
    public Terms? Terms { get; init; }

    /// <summary>By which the charges of the period are raised, amounts in the base currency.</summary>
    public LateChargePolicy? LateCharges { get; init; }

    /// <summary>By which the accounts are reminded in the period, amounts in the base currency.</summary>
    public ReminderPlan? Reminders { get; init; }

    /// <summary>What every standing limit is multiplied by, above zero.</summary>
    public decimal? LimitFactor { get; init; }

    /// <summary>What credit checks do about what they find.</summary>
    public CheckResponses? Responses { get; init; }

    /// <summary>
    /// The annual cost, as a fraction, from which on a discount moves the payment to its deadline; null where payment days
    /// stay as they were.
    /// </summary>
    public decimal? MovesFrom { get; init; }

    /// <summary>What money costs the company a year, as a fraction.</summary>
    public decimal CostOfCapital { get; init; }
}
