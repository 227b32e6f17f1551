namespace KiteLine.Core;

/// <summary>
/// The daily method with bands on the account's whole overdue balance: on each day the part of it up to a band's amount
/// bears the rate below, the part above the band's, and each item bears its share of every part by amount.
/// </summary>
internal static class AccountBands
{
    internal static List<List<ChargeSegment>> Accrue(
        LateChargePolicy policy,
        IReadOnlyList<Item> items,
        DateOnly through,
        Func<Item, DateOnly?> chargedThrough
    )
    {
        var segments = items.Select(_ => new List<ChargeSegment>()).ToList();
        var starts = items.Select(i => DailyMethod.StartsAfter(policy, i.Due, through)).ToArray();
        var rates = items.Select(i => policy.RatesFor(i.Due, through)).ToArray();
        var charged = items.Select(chargedThrough).ToArray();
        var waits = items.Select(i => new Wait(i, policy)).ToArray();
        var days = new SortedSet<DateOnly> { through };
        for (var i = 0; i < items.Count; i++)
        {
            if (starts[i] is not { } start)
                continue;
            days.Add(start);
            if (charged[i] is { } last)
                days.Add(last);
            foreach (var movement in items[i].Movements)
                days.Add(movement.ValueDate);
            if (waits[i].Matters)
                days.Add(waits[i].End);
            foreach (var row in rates[i])
                days.Add(row.From.AddDays(-1));
        }

        var breaks = days.Where(d => d <= through).ToArray();
        for (var b = 1; b < breaks.Length; b++)
            Stretch(policy, items, (starts, charged, waits, rates), breaks[b - 1], breaks[b], segments);
        return segments;
    }

    // Nothing changes between the two days, so one balance and one rate hold for each item.
    private static void Stretch(
        LateChargePolicy policy,
        IReadOnlyList<Item> items,
        (DateOnly?[] Starts, DateOnly?[] Charged, Wait[] Waits, IReadOnlyList<RateRow>[] Rates) of,
        DateOnly eve,
        DateOnly end,
        List<List<ChargeSegment>> into
    )
    {
        var balances = items
            .Select(
                (item, i) => of.Starts[i] <= eve ? of.Waits[i].Bears(Math.Max(0, item.OpenByValue(eve).Amount), eve) : 0
            )
            .ToArray();
        var total = balances.Sum();
        if (total <= 0)
            return;
        var part = policy.DayCount.Fraction(eve, end);
        for (var i = 0; i < items.Count; i++)
        {
            // Items charged before still count in the total, but bear nothing for days they were charged for.
            if (balances[i] <= 0 || of.Charged[i] > eve)
                continue;
            var (floor, rate) = (0m, Dated.InForce(of.Rates[i], r => r.From, eve.AddDays(1))?.AnnualRate ?? 0);
            for (var k = 0; k <= policy.Bands.Count && total > floor; k++)
            {
                var ceiling = k < policy.Bands.Count ? policy.Bands[k].Above : decimal.MaxValue;
                var share = (Math.Min(total, ceiling) - floor) * balances[i] / total;
                into[i].Add(new(eve.AddDays(1), end, share, rate, part));
                if (k < policy.Bands.Count)
                    (floor, rate) = (ceiling, policy.Bands[k].AnnualRate);
            }
        }
    }

    // Days within the wait bear at most the balance at its end.
    private readonly struct Wait(Item item, LateChargePolicy policy)
    {
        private readonly decimal _most =
            policy.WaitDays == 0 ? 0 : Math.Max(0, item.OpenByValue(item.Due.AddDays(policy.WaitDays)).Amount);

        internal DateOnly End { get; } = item.Due.AddDays(policy.WaitDays);

        internal bool Matters { get; } = policy is { WaitDays: > 0, CountFrom: CountFrom.DueDate };

        internal decimal Bears(decimal balance, DateOnly eve) =>
            Matters && eve < End ? Math.Min(balance, _most) : balance;
    }
}
