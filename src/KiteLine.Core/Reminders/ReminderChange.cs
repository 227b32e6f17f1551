namespace KiteLine.Core;

/// <summary>What a controller decided about the next reminder of one account otherwise than its plan.</summary>
/// <param name="Level">The level at which the letter speaks, counted from 1; null for the plan's own.</param>
/// <param name="TakeIn">Whether it goes out although a promise, a pause, a wait, credits or a least amount hold it
/// back.</param>
/// <param name="LeaveOut">Items that the letter does not ask for and that do not move.</param>
public sealed record ReminderChange(int? Level, bool TakeIn, IReadOnlyCollection<long> LeaveOut)
{
    /// <summary>All as the plan says.</summary>
    public static ReminderChange None { get; } = new(null, false, []);

    /// <summary>Whether an account that is held back for a reason can be taken in all the same.</summary>
    public static bool CanTakeIn(ReminderHold hold) =>
        hold
            is ReminderHold.Promised
                or ReminderHold.Paused
                or ReminderHold.NotYet
                or ReminderHold.Credits
                or ReminderHold.TooLittle;
}
