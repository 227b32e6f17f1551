namespace KiteLine.Core;

/// <summary>A reminder fee that a letter demanded without posting it.</summary>
public sealed record UnpostedFee(string Reminder, DateOnly Date, Money Amount);
