namespace KiteLine.Core;

/// <summary>What a receipt settled of one item, in minor units.</summary>
/// <param name="From">The first day on which the books show it.</param>
/// <param name="Until">The day on which it was undone, or null.</param>
/// <param name="Cash">What of the receipt was used.</param>
/// <param name="Given">Discount and write-off that came with it.</param>
/// <param name="Allocation">The allocation it is; 0 for one that is only shown.</param>
public readonly record struct BookUse(DateOnly From, DateOnly? Until, long Cash, long Given, long Allocation = 0)
{
    /// <summary>Whether the books show it on a day.</summary>
    public bool ShownOn(DateOnly day) => From <= day && !(Until <= day);
}
