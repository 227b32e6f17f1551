namespace KiteLine.Core;

/// <summary>One overdue item in a reminder.</summary>
/// <param name="Level">The level it reaches by this letter; its former level when it is listed only.</param>
/// <param name="Moves">Whether it moves to that level; false when it is listed only.</param>
public sealed record RemindedItem(Item Item, Money Open, int DaysOverdue, int Level, bool Moves, Money LateCharge);

/// <summary>The next reminder of an account, or why there is none.</summary>
public sealed record ReminderProposal
{
    public required DateOnly Date { get; init; }

    /// <summary>The letter's level, counted from 1; 0 when none is proposed.</summary>
    public int Level { get; init; }

    public IReadOnlyList<RemindedItem> Items { get; init; } = [];

    public Money Fee { get; init; }

    /// <summary>Late charge accrued on the items, where the level states it.</summary>
    public Money LateCharge { get; init; }

    public DateOnly? PayBy { get; init; }

    /// <summary>Why nothing is proposed, as a sentence; null when something is.</summary>
    public string? LeftOut { get; init; }

    /// <summary>When the next level can be reached, or null.</summary>
    public DateOnly? NextOn { get; init; }

    /// <summary>Items, fee and late charge: what the letter asks for.</summary>
    public Money Total => Items.Aggregate(Fee + LateCharge, (sum, i) => sum + i.Open);

    /// <summary>
    /// Proposes the next reminder. A letter covers all overdue debits of the account at the highest level that one of
    /// them can reach; each item that can moves one level.
    /// </summary>
    public static ReminderProposal For(
        IReadOnlyList<Item> items, ReminderPlan? plan, LateChargePolicy? policy, Currency currency, DateOnly date)
    {
        ArgumentNullException.ThrowIfNull(items);
        var zero = Money.Zero(currency);
        var empty = new ReminderProposal { Date = date, Fee = zero, LateCharge = zero };
        if (plan is null) return empty with { LeftOut = "The account has no reminder plan." };

        var debits = items.Where(i => i.OpenAt(date).Minor > 0).ToArray();
        var overdue = debits.Where(i => i.DaysOverdue(date) > 0).ToArray();
        var next = debits.Where(i => i.Kind == ItemKind.Invoice).Select(plan.NextOn).Where(d => d > date).Min();
        empty = empty with { NextOn = next };
        if (overdue.Length == 0) return empty with { LeftOut = "Nothing is overdue." };

        var ready = overdue.Where(i => i.Kind == ItemKind.Invoice && plan.NextOn(i) <= date).ToHashSet();
        if (ready.Count == 0)
            return empty with { LeftOut = next is null ? "Every overdue item has reached the last level." : $"The next level is reached on {Exactly.Day(next.Value)}." };

        var total = overdue.Aggregate(zero, (sum, i) => sum + i.OpenAt(date));
        var credits = items.Select(i => i.OpenAt(date)).Where(o => o.Minor < 0).Aggregate(zero, (sum, o) => sum - o);
        if (credits >= total) return empty with { LeftOut = $"Credits of {credits} cover the {total} overdue." };

        var number = ready.Max(i => i.ReminderLevel) + 1;
        var level = plan.Levels[number - 1];
        if (total.Amount < level.LeastOverdue)
            return empty with { LeftOut = $"{total} overdue is below the least amount of {Exactly.Plain(level.LeastOverdue)} for level {number}." };

        var charges = level.ShowLateCharge && policy is not null
            ? AccountCharges.On(items, policy, date).ToDictionary(c => c.Item.Id, c => c.Total)
            : [];
        var lines = overdue.OrderBy(i => i.Due).ThenBy(i => i.Id).Select(i => new RemindedItem(
            i, i.OpenAt(date), i.DaysOverdue(date), ready.Contains(i) ? i.ReminderLevel + 1 : i.ReminderLevel, ready.Contains(i),
            charges.GetValueOrDefault(i.Id, zero))).ToArray();
        return empty with
        {
            Level = number,
            Items = lines,
            Fee = level.FeeTreatment == FeeTreatment.None ? zero : Money.Round(level.Fee, currency),
            LateCharge = lines.Aggregate(zero, (sum, l) => sum + l.LateCharge),
            PayBy = date.AddDays(level.DaysToPay),
        };
    }

    /// <summary>The derivation of the amount asked for.</summary>
    public IReadOnlyList<Working> Workings()
    {
        var lines = Items.Select(i => new Working(i.Item.Document,
            $"due {Exactly.Day(i.Item.Due)}, {i.DaysOverdue} days overdue, level {i.Level}", $"{i.Open}")).ToList();
        if (Level == 0) return lines;
        lines.Add(new("Late charge to date", "shown in the letter, see the account's amount to settle", $"{LateCharge}"));
        lines.Add(new($"Fee of level {Level}", "fixed per letter", $"{Fee}"));
        lines.Add(new("Total", "items + late charge + fee", $"{Total}"));
        return lines;
    }
}
