namespace KiteLine.Core;

/// <summary>The sequence of reminders for unpaid items: one to nine levels.</summary>
public sealed record ReminderPlan
{
    public required IReadOnlyList<ReminderLevel> Levels { get; init; }

    /// <summary>The most reminders of one item; the last level is repeated up to it. Null for as many as there are levels.</summary>
    public int? MostReminders { get; init; }

    /// <summary>Whether an item may go straight to the highest level whose days have passed; otherwise it moves one at a time.</summary>
    public bool AllowJumps { get; init; }

    /// <summary>Whether each level gets a letter of its own; otherwise one letter covers all overdue items at the highest.</summary>
    public bool LetterPerLevel { get; init; }

    /// <summary>What is wrong with the plan, as field and sentence; empty when it can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems() => ReminderPlanCheck.Problems(this);

    /// <summary>The level, counted from 1, that an item reaches next when its waits are over; 0 when it has had its last reminder.</summary>
    public int NextLevel(Item item, DateOnly on)
    {
        ArgumentNullException.ThrowIfNull(item);
        if (item.Reminders >= (MostReminders ?? Levels.Count)) return 0;
        var next = Math.Min(item.ReminderLevel + 1, Levels.Count);
        while (AllowJumps && next < Levels.Count && item.DaysOverdue(on) >= Levels[next].DaysAfterDue) next++;
        return next;
    }

    /// <summary>The first day an item may be reminded next, or null when it has had its last reminder.</summary>
    public DateOnly? NextOn(Item item)
    {
        ArgumentNullException.ThrowIfNull(item);
        if (item.Reminders >= (MostReminders ?? Levels.Count)) return null;
        var level = Levels[Math.Min(item.ReminderLevel, Levels.Count - 1)];
        var byDue = item.Due.AddDays(level.DaysAfterDue);
        var byPrevious = item.RemindedOn?.AddDays(level.DaysSincePrevious) ?? byDue;
        return byDue >= byPrevious ? byDue : byPrevious;
    }

    /// <summary>The fee of a letter of a level, and how it comes about.</summary>
    /// <param name="level">Counted from 1.</param>
    /// <param name="items">How many items it reminds of.</param>
    /// <param name="overdue">What it asks for besides fee and interest.</param>
    public (Money Fee, IReadOnlyList<Working> Workings) FeeOf(int level, int items, Money overdue, RoundingRule rounding = RoundingRule.HalfAwayFromZero)
    {
        var last = Levels[level - 1];
        var workings = new List<Working>();
        if (last.FeeTreatment == Treatment.None) return (Money.Zero(overdue.Currency), workings);
        var sum = 0m;
        for (var n = last.AddEarlierFees ? 1 : level; n <= level; n++)
        {
            if (Levels[n - 1].Fee is not { } fee || Levels[n - 1].FeeTreatment == Treatment.None) continue;
            sum += fee.Of(items, overdue.Amount);
            workings.Add(new($"Fee of level {n}", fee.Explain(items, overdue.Amount), $"{Money.Round(fee.Of(items, overdue.Amount), overdue.Currency, rounding)}"));
        }

        var whole = Money.Round(sum, overdue.Currency, rounding);
        if (!(whole.Amount > last.MostFee)) return (whole, workings);
        var most = Money.Round(last.MostFee!.Value, overdue.Currency, rounding);
        workings.Add(new("Held to the most", $"{whole} is above what level {level} may cost", $"{most}"));
        return (most, workings);
    }
}
