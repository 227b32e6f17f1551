namespace KiteLine.Core;

/// <summary>A document number that was found in a remittance text.</summary>
/// <param name="Item">The place of its item in the list.</param>
/// <param name="From">Where it begins in the text.</param>
/// <param name="To">Where it has ended.</param>
/// <param name="ByReference">It was named by a structured reference and not by its number.</param>
public readonly record struct NamedDocument(int Item, int From, int To, bool ByReference);
