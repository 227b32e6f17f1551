namespace KiteLine.Core;

/// <summary>A group that an account counted towards before it was moved to another.</summary>
/// <param name="Until">The business date of the move: the first day on which it counts towards the other.</param>
/// <param name="Group">The group before; empty for none.</param>
public sealed record FormerGroup(DateOnly Until, string Group);
