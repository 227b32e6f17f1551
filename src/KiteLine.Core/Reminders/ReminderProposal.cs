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

    /// <summary>How the fee comes about.</summary>
    public IReadOnlyList<Working> FeeWorkings { get; init; } = [];

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
    /// them can reach, and each item that can moves; where each level has a letter of its own it covers the items that
    /// reach that level, and those of lower levels are proposed once it is issued.
    /// </summary>
    public static ReminderProposal For(
        IReadOnlyList<Item> items, ReminderPlan? plan, LateChargePolicy? policy, Currency currency, DateOnly date,
        RoundingRule rounding = RoundingRule.HalfAwayFromZero)
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

        var ready = overdue.Where(i => i.Kind == ItemKind.Invoice && plan.NextOn(i) <= date).ToDictionary(i => i.Id, i => plan.NextLevel(i, date));
        if (ready.Count == 0)
            return empty with { LeftOut = next is null ? "Every overdue item has had its last reminder." : $"The next level is reached on {Exactly.Day(next.Value)}." };

        Money Sum(IEnumerable<Item> of) => of.Aggregate(zero, (sum, i) => sum + i.OpenAt(date));
        var credits = -Sum(items.Where(i => i.OpenAt(date).Minor < 0));
        if (credits >= Sum(overdue)) return empty with { LeftOut = $"Credits of {credits} cover the {Sum(overdue)} overdue." };

        // The highest level comes first; with letters of their own, a lower one follows where that asks for too little.
        string? tooLittle = null;
        foreach (var number in ready.Values.Distinct().OrderDescending().Take(plan.LetterPerLevel ? int.MaxValue : 1))
        {
            var covered = plan.LetterPerLevel ? [.. overdue.Where(i => ready.GetValueOrDefault(i.Id) == number)] : overdue;
            var total = Sum(covered);
            if (total.Amount >= plan.Levels[number - 1].LeastOverdue) return Letter(empty, items, covered, ready, plan, number, policy, total, rounding);
            tooLittle ??= $"{total} overdue is below the least amount of {Exactly.Plain(plan.Levels[number - 1].LeastOverdue)} for level {number}.";
        }

        return empty with { LeftOut = tooLittle };
    }

    private static ReminderProposal Letter(
        ReminderProposal empty, IReadOnlyList<Item> items, Item[] covered, Dictionary<long, int> ready, ReminderPlan plan, int number,
        LateChargePolicy? policy, Money total, RoundingRule rounding)
    {
        var (level, date, zero) = (plan.Levels[number - 1], empty.Date, Money.Zero(total.Currency));
        var charges = level.LateCharge != Treatment.None && policy is not null
            ? AccountCharges.On(items, policy, date, rounding).ToDictionary(c => c.Item.Id, c => c.Total)
            : [];
        var lines = covered.OrderBy(i => i.Due).ThenBy(i => i.Id).Select(i => new RemindedItem(
            i, i.OpenAt(date), i.DaysOverdue(date), ready.TryGetValue(i.Id, out var reached) ? reached : i.ReminderLevel, ready.ContainsKey(i.Id),
            charges.GetValueOrDefault(i.Id, zero))).ToArray();
        var (fee, feeWorkings) = plan.FeeOf(number, lines.Count(l => l.Moves), total, rounding);
        return empty with
        {
            Level = number,
            Items = lines,
            Fee = fee,
            FeeWorkings = feeWorkings,
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
        lines.AddRange(FeeWorkings);
        if (FeeWorkings.Count != 1) lines.Add(new("Fee", FeeWorkings.Count == 0 ? $"level {Level} has none" : "sum of the above", $"{Fee}"));
        lines.Add(new("Total", "items + late charge + fee", $"{Total}"));
        return lines;
    }
}
