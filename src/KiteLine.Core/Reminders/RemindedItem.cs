namespace KiteLine.Core;

/// <summary>One overdue item in a reminder.</summary>
/// <param name="Open">What the letter asks for of it: what is open by value, less what is disputed.</param>
/// <param name="Level">The level it reaches by this letter; its former level when it is listed only.</param>
/// <param name="Moves">Whether it moves to that level; false when it is listed only.</param>
/// <param name="LateCharge">What has accrued on it, without tax.</param>
public sealed record RemindedItem(Item Item, Money Open, int DaysOverdue, int Level, bool Moves, Money LateCharge);
