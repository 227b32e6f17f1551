namespace KiteLine.Core;

/// <summary>The sequence of reminders for unpaid items: one to nine levels.</summary>
public sealed record ReminderPlan
{
    /// <summary>In rising order of days overdue; one to nine.</summary>
    public required IReadOnlyList<ReminderLevel> Levels { get; init; }

    /// <summary>
    /// The most reminders of one item; the last level is repeated up to it. Null for as many as there are levels.
    /// </summary>
    public int? MostReminders { get; init; }

    /// <summary>
    /// Whether an item may go straight to the highest level whose days have passed; otherwise it moves one at a time.
    /// </summary>
    public bool AllowJumps { get; init; }

    /// <summary>
    /// Whether each level gets a letter of its own; otherwise one letter covers all overdue items at the highest.
    /// </summary>
    public bool LetterPerLevel { get; init; }

    /// <summary>What is wrong with the plan, as field and sentence; empty when it can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems() => ReminderPlanCheck.Problems(this);

    /// <summary>
    /// The level, counted from 1, that an item reaches next when its waits are over; 0 when it has had its last
    /// reminder.
    /// </summary>
    public int NextLevel(Item item, DateOnly on)
    {
        ArgumentNullException.ThrowIfNull(item);
        if (item.Reminders >= (MostReminders ?? Levels.Count))
            return 0;
        var next = Math.Min(item.ReminderLevel + 1, Levels.Count);
        while (AllowJumps && next < Levels.Count && item.DaysOverdue(on) >= Levels[next].DaysAfterDue)
            next++;
        return next;
    }

    /// <summary>The first day an item may be reminded next, or null when it has had its last reminder.</summary>
    public DateOnly? NextOn(Item item)
    {
        ArgumentNullException.ThrowIfNull(item);
        if (item.Reminders >= (MostReminders ?? Levels.Count))
            return null;
        var level = Levels[Math.Min(item.ReminderLevel, Levels.Count - 1)];
        var byDue = item.Due.AddDays(level.DaysAfterDue);
        var byPrevious = item.RemindedOn?.AddDays(level.DaysSincePrevious) ?? byDue;
        return byDue >= byPrevious ? byDue : byPrevious;
    }

    /// <summary>
    /// Each level that an invoice can still reach, with the earliest day for it while the invoice stays unpaid; none where
    /// nothing is open of it on the day, by value.
    /// </summary>
    public IEnumerable<(int Level, DateOnly On)> ToCome(Item item, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(item);
        if (item.Kind != ItemKind.Invoice || item.OpenByValue(day).Minor <= 0)
            yield break;
        while (NextOn(item) is { } next)
        {
            var on = next > day ? next : day;
            item = item with { ReminderLevel = NextLevel(item, on), Reminders = item.Reminders + 1, RemindedOn = on };
            yield return (item.ReminderLevel, on);
        }
    }
}
