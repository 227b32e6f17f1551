namespace KiteLine.Core;

/// <summary>An item that a posting brings into being; the first movement opens it.</summary>
public sealed record NewItem(int Instalment, DateOnly Due, IReadOnlyList<Movement> Movements);
