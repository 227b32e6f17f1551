namespace KiteLine.Core;

/// <summary>A movement in compact form: value date and minor units.</summary>
public readonly record struct BookMovement(DateOnly ValueDate, long Minor);
