namespace KiteLine.Core;

/// <summary>The next day on which the amount to settle differs for another reason than daily interest.</summary>
/// <param name="Date">The first day with the new figure.</param>
/// <param name="Reason">Why, as a phrase for the controller.</param>
public sealed record NextChange(DateOnly Date, string Reason);
