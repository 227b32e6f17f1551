namespace KiteLine.Core;

/// <summary>What a message is about, as its texts may name it.</summary>
/// <param name="Number">Of the document that it brings.</param>
/// <param name="Amount">What the document comes to.</param>
/// <param name="Due">When it is to be paid; null where that does not apply.</param>
public sealed record MessageSubject(MessagePurpose Purpose, string Number, DateOnly Date, Money Amount, DateOnly? Due);
