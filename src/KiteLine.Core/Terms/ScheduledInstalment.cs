namespace KiteLine.Core;

/// <summary>One instalment of a schedule: due date and amount.</summary>
public sealed record ScheduledInstalment(DateOnly Due, Money Amount);
