namespace KiteLine.Core;

/// <summary>
/// The daily method with bands on the account's whole overdue balance: on each day the part of it up to a band's amount
/// bears the rate below, the part above the band's, and each item bears its share of every part by amount.
/// </summary>
internal static class AccountBands
{
    internal static List<List<ChargeSegment>> Accrue(LateChargePolicy policy, IReadOnlyList<Item> items, DateOnly through)
    {
        var segments = items.Select(_ => new List<ChargeSegment>()).ToList();
        var starts = items.Select(i => DailyMethod.StartsAfter(policy, i.Due, through)).ToArray();
        var rates = items.Select(i => policy.RatesFor(i.Due, through)).ToArray();
        var days = new SortedSet<DateOnly> { through };
        for (var i = 0; i < items.Count; i++)
        {
            if (starts[i] is not { } start) continue;
            days.Add(start);
            if (items[i].ChargedThrough is { } charged) days.Add(charged);
            foreach (var movement in items[i].Movements) days.Add(movement.ValueDate);
            foreach (var row in rates[i]) days.Add(row.From.AddDays(-1));
        }

        var breaks = days.Where(d => d <= through).ToArray();
        for (var b = 1; b < breaks.Length; b++) Stretch(policy, items, starts, rates, breaks[b - 1], breaks[b], segments);
        return segments;
    }

    // Nothing changes between the two days, so one balance and one rate hold for each item.
    private static void Stretch(
        LateChargePolicy policy, IReadOnlyList<Item> items, DateOnly?[] starts, IReadOnlyList<RateRow>[] rates, DateOnly eve, DateOnly end, List<List<ChargeSegment>> into)
    {
        var balances = items.Select((item, i) => starts[i] <= eve ? Math.Max(0, item.OpenAt(eve).Amount) : 0).ToArray();
        var total = balances.Sum();
        if (total <= 0) return;
        var fraction = policy.DayCount.YearFraction(eve, end);
        for (var i = 0; i < items.Count; i++)
        {
            // Items charged before still count in the total, but bear nothing for days they were charged for.
            if (balances[i] <= 0 || items[i].ChargedThrough > eve) continue;
            var (floor, rate) = (0m, Dated.InForce(rates[i], r => r.From, eve.AddDays(1))?.AnnualRate ?? 0);
            for (var k = 0; k <= policy.Bands.Count && total > floor; k++)
            {
                var ceiling = k < policy.Bands.Count ? policy.Bands[k].Above : decimal.MaxValue;
                var share = (Math.Min(total, ceiling) - floor) * balances[i] / total;
                into[i].Add(new(eve.AddDays(1), end, share, rate, fraction, share * rate * fraction / 100));
                if (k < policy.Bands.Count) (floor, rate) = (ceiling, policy.Bands[k].AnnualRate);
            }
        }
    }
}
