namespace KiteLine.Core;

/// <summary>A movement of an item that exists already.</summary>
public sealed record ItemMovement(long ItemId, Movement Movement);
