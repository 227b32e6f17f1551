namespace KiteLine.Core;

/// <summary>What a receipt settled of one document.</summary>
/// <param name="Cash">What of the receipt it took.</param>
/// <param name="StaysOpen">What is still to be paid of it.</param>
public sealed record PrintedReceiptLine(string Document, Money Cash, Money Discount, Money WriteOff, Money StaysOpen);
