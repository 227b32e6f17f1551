namespace KiteLine.Core;

/// <summary>An item that is open at the end of a statement of account; a credit is negative.</summary>
public sealed record StatementItem(string Document, ItemKind Kind, DateOnly Date, DateOnly Due, Money Open);
