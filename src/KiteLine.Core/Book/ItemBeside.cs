namespace KiteLine.Core;

/// <summary>What charges and reminders made of an item, which the book in memory does not hold.</summary>
/// <param name="Raised">What late charges that stand raised on it, in the order in which they were raised.</param>
/// <param name="Level">The reminder level reached; 0 before the first.</param>
/// <param name="Reminders">How many reminders it was in.</param>
/// <param name="RemindedOn">The date of the last one, or null.</param>
public sealed record ItemBeside(
    IReadOnlyList<RaisedLine> Raised,
    int Level = 0,
    int Reminders = 0,
    DateOnly? RemindedOn = null
)
{
    /// <summary>Neither charged nor reminded.</summary>
    public static ItemBeside None { get; } = new([]);
}
