namespace KiteLine.Core;

/// <summary>A document of a customer that stands, as another one is compared with it.</summary>
/// <param name="Date">Its date; of a receipt its value date.</param>
/// <param name="Gross">With tax, in the account's currency.</param>
public sealed record EarlierDocument(ItemKind Kind, string Number, DateOnly Date, Money Gross, string Reference);
