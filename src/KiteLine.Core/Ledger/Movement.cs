namespace KiteLine.Core;

/// <summary>One change of an item's open amount.</summary>
/// <param name="Kind">Why it changed.</param>
/// <param name="ValueDate">The day it counts for interest and discount; it takes effect at the end of that day.</param>
/// <param name="Amount">Positive raises what the customer owes.</param>
/// <param name="Posted">The business date on which it entered the books; left at its default for what was open before
/// they began.</param>
/// <param name="Entry">The posting that made it; postings are numbered in the order in which they were made.</param>
public readonly record struct Movement(
    MovementKind Kind,
    DateOnly ValueDate,
    Money Amount,
    DateOnly Posted = default,
    long Entry = 0
)
{
    /// <summary>
    /// The first day on which the books show it: its value date, or the day it was posted when that was later.
    /// </summary>
    public DateOnly ShownFrom => Posted > ValueDate ? Posted : ValueDate;
}
