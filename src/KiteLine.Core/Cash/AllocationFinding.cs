namespace KiteLine.Core;

/// <summary>What a controller should know about a proposal.</summary>
/// <param name="Item">The item it is about; null where it is about the receipt.</param>
public sealed record AllocationFinding(ReceiptFinding Finding, AllocationItem? Item);
