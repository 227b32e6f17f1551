namespace KiteLine.Core;

/// <summary>A day on which the company does not work, with its name.</summary>
public sealed record Holiday(DateOnly Date, string Name);
