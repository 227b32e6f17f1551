namespace KiteLine.Core;

/// <summary>
/// A movement in compact form: value date, minor units, and the business date on which it was posted.
/// </summary>
/// <param name="Posted">Left at its default for what was open before the books began, which counts by its value date
/// alone.</param>
public readonly record struct BookMovement(
    DateOnly ValueDate,
    long Minor,
    DateOnly Posted = default,
    MovementKind Kind = MovementKind.Opened
)
{
    /// <summary>
    /// The first day on which the books show it: its value date, or the day it was posted when that was later.
    /// </summary>
    public DateOnly ShownFrom => Posted > ValueDate ? Posted : ValueDate;
}
