namespace KiteLine.Core;

/// <summary>The sequence of reminders for unpaid items: one to nine levels.</summary>
public sealed record ReminderPlan
{
    public required IReadOnlyList<ReminderLevel> Levels { get; init; }

    /// <summary>What is wrong with the plan, as field and sentence; empty when it can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (Levels.Count is 0 or > 9) yield return ("levels", "A plan has one to nine levels.");
        for (var i = 0; i < Levels.Count; i++)
        {
            var (at, level) = ($"levels[{i}]", Levels[i]);
            if (level.DaysAfterDue is < 1 or > 3650) yield return ($"{at}.daysAfterDue", "A reminder is sent 1 to 3650 days after the due date.");
            if (i > 0 && level.DaysAfterDue <= Levels[i - 1].DaysAfterDue) yield return ($"{at}.daysAfterDue", "Each level stands later than the one before.");
            if (level.DaysSincePrevious is < 0 or > 3650) yield return ($"{at}.daysSincePrevious", "Days since the previous level are 0 to 3650.");
            if (level.DaysToPay is < 1 or > 365) yield return ($"{at}.daysToPay", "The customer is given 1 to 365 days to pay.");
            if (level.LeastOverdue < 0) yield return ($"{at}.leastOverdue", "The least overdue amount is not negative.");
            if (level.Fee < 0) yield return ($"{at}.fee", "A fee is not negative.");
            if (level.Fee == 0 && level.FeeTreatment != FeeTreatment.None) yield return ($"{at}.fee", "Give the fee, or set this level to have none.");
            if (level.Fee > 0 && level.FeeTreatment == FeeTreatment.None) yield return ($"{at}.feeTreatment", "Say whether the fee is posted or only shown.");
            if (string.IsNullOrWhiteSpace(level.Subject)) yield return ($"{at}.subject", "Give the letter a subject.");
        }
    }

    /// <summary>The first day an item may be reminded at its next level, or null when it has reached the last.</summary>
    public DateOnly? NextOn(Item item)
    {
        ArgumentNullException.ThrowIfNull(item);
        if (item.ReminderLevel >= Levels.Count) return null;
        var level = Levels[item.ReminderLevel];
        var byDue = item.Due.AddDays(level.DaysAfterDue);
        var byPrevious = item.RemindedOn?.AddDays(level.DaysSincePrevious) ?? byDue;
        return byDue >= byPrevious ? byDue : byPrevious;
    }
}
