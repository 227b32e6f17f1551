namespace KiteLine.Core;

/// <summary>What of an invoice or credit note was settled before the books began.</summary>
/// <param name="Date">The document's date.</param>
/// <param name="Minor">In minor units; of a credit note negative.</param>
public readonly record struct PaidBefore(DateOnly Date, long Minor);
