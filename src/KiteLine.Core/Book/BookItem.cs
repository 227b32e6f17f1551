namespace KiteLine.Core;

/// <summary>
/// An item in the compact form in which a whole book is held in memory: 40 bytes each, amounts in minor units.
/// </summary>
/// <param name="Open">What is open now, with every movement counted.</param>
/// <param name="FirstMovement">Index of its first movement in the account's movements.</param>
/// <param name="Movements">How many movements it has.</param>
public readonly record struct BookItem(
    ItemKind Kind,
    DateOnly Date,
    DateOnly Due,
    long Open,
    int FirstMovement,
    int Movements
);
