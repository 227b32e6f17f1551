namespace KiteLine.Core;

/// <summary>A movement as it stands in the books, for undoing it.</summary>
public sealed record PostedMovement(long ItemId, Movement Movement);
