namespace KiteLine.Core;

/// <summary>The due date that an item had before its invoice was amended, or before an amendment was reversed.</summary>
/// <param name="Item">Index of the item among the account's items.</param>
/// <param name="Until">The posting date of the change: the first day on which the books show another due date.</param>
/// <param name="Due">The due date before.</param>
public sealed record FormerDue(int Item, DateOnly Until, DateOnly Due);
