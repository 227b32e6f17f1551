namespace KiteLine.Core;

/// <summary>One change of an item's open amount.</summary>
/// <param name="Kind">Why it changed.</param>
/// <param name="ValueDate">The day it counts for interest, discount and ageing; it takes effect at the end of that day.</param>
/// <param name="Amount">Positive raises what the customer owes.</param>
public readonly record struct Movement(MovementKind Kind, DateOnly ValueDate, Money Amount);
