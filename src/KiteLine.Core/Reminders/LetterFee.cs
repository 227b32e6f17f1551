namespace KiteLine.Core;

/// <summary>The fees that a letter asks for: its own, and those of earlier letters that stand beside it.</summary>
/// <param name="Own">What this letter adds, whether it is posted or only shown.</param>
/// <param name="Earlier">Shown fees of earlier letters that still stand; posted ones are items of the account.</param>
public sealed record LetterFee(Money Own, Money Earlier, IReadOnlyList<Working> Workings)
{
    /// <summary>What the letter asks for as fees.</summary>
    public Money Asked => Own + Earlier;

    /// <summary>Works out the fees of a letter.</summary>
    /// <param name="number">The level, counted from 1.</param>
    /// <param name="items">How many items move.</param>
    /// <param name="overdue">What the fee is measured on: the overdue invoices that move, with fees and charges where
    /// the level says so.</param>
    /// <param name="standing">Shown fees of earlier letters on the letter's items.</param>
    /// <param name="replaced">Those of them that a shown fee of this letter stands in place of.</param>
    public static LetterFee Of(
        ReminderPlan plan,
        int number,
        int items,
        Money overdue,
        IReadOnlyList<ShownFee> standing,
        IReadOnlyList<ShownFee> replaced,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(standing);
        ArgumentNullException.ThrowIfNull(replaced);
        var (level, zero, workings) = (plan.Levels[number - 1], Money.Zero(overdue.Currency), new List<Working>());
        var own = zero;
        if (level is { Fee: { } fee, FeeTreatment: not Treatment.None })
        {
            own = Money.Round(fee.Of(items, overdue.Amount), overdue.Currency, rounding);
            workings.Add(new($"Fee of level {number}", fee.Explain(items, overdue.Amount), $"{own}"));
        }

        var replaces = level is { FeeTreatment: Treatment.Show, AddEarlierFees: false } && !own.IsZero;
        var beside = standing.Where(s => !replaces || !replaced.Contains(s)).ToArray();
        var earlier = beside.Aggregate(zero, (sum, s) => sum + s.Amount);
        foreach (var s in beside)
            workings.Add(
                new($"Fee of {s.Reminder}", $"asked for on {Exactly.Day(s.Date)} and not posted", $"{s.Amount}")
            );
        if (level.MostFee is { } most && (own + earlier).Amount > most)
        {
            var held = Money.Max(zero, Money.Round(most, overdue.Currency, rounding) - earlier);
            if (held < own)
            {
                workings.Add(
                    new(
                        "Held to the most",
                        $"{own + earlier} is above what level {number} may cost",
                        $"{held + earlier}"
                    )
                );
                own = held;
            }
        }

        return new(own, earlier, workings);
    }
}
