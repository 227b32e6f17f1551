namespace KiteLine.Core;

/// <summary>From a day on, an account's standing limit is this amount.</summary>
public sealed record LimitChange(DateOnly From, Money Amount);
