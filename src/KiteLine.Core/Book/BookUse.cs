namespace KiteLine.Core;

/// <summary>
/// What a receipt settled of one item, in minor units; or what was moved of it to another account, which settled nothing.
/// </summary>
/// <param name="From">The first day on which the books show it.</param>
/// <param name="Until">The day on which it was undone, or null.</param>
/// <param name="Cash">What of the receipt was used.</param>
/// <param name="Given">Discount and write-off that came with it.</param>
/// <param name="Allocation">The allocation it is; 0 for one that is only shown, and for what was moved.</param>
/// <param name="MadeBy">The posting that made it; 0 for one that is only shown.</param>
/// <param name="UndoneBy">The posting that undid it; 0 for none.</param>
public readonly record struct BookUse(
    DateOnly From,
    DateOnly? Until,
    long Cash,
    long Given,
    long Allocation = 0,
    long MadeBy = 0,
    long UndoneBy = 0
)
{
    /// <summary>What was moved to another account: used, and nothing that would be open again.</summary>
    public static BookUse Moved(DateOnly from, DateOnly? until, long amount, long madeBy = 0) =>
        new(from, until, amount, -amount, 0, madeBy);

    /// <summary>Whether the books show it on a day.</summary>
    public bool ShownOn(DateOnly day) => From <= day && !(Until <= day);
}
