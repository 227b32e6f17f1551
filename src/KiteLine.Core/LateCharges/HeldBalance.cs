namespace KiteLine.Core;

/// <summary>An item as interest sees it: without what was disputed on the days on which a policy holds that.</summary>
internal static class HeldBalance
{
    /// <summary>The item, its balance less what is held on each day.</summary>
    /// <param name="known">The day as of which disputes and their ends are known.</param>
    internal static Item Of(Item item, LateChargePolicy policy, DateOnly known)
    {
        if (policy.WhileDisputed == WhileDisputed.Charged || item.Disputes.Count == 0)
            return item;
        var disputes = new List<(DateOnly From, DateOnly Until, long Minor)>(item.Disputes.Count);
        foreach (var d in item.Disputes)
        {
            var ended = d.Until <= known;
            // What ended against the customer counts as if it had never been disputed.
            var lost = ended && d.AgainstCustomer && policy.WhileDisputed == WhileDisputed.HeldUntilSettled;
            if (d.From <= known && !lost)
                disputes.Add((d.From, ended ? d.Until!.Value : DateOnly.MaxValue, d.Amount.Minor));
        }

        if (disputes.Count == 0)
            return item;
        // A change takes effect at the end of its day, so a dispute holds from the eve of its first day.
        var days = new SortedSet<DateOnly>();
        foreach (var (from, until, _) in disputes)
        {
            days.Add(from.AddDays(-1));
            if (until < DateOnly.MaxValue)
                days.Add(until.AddDays(-1));
        }

        for (var i = 1; i < item.Movements.Count; i++)
            days.Add(item.Movements[i].ValueDate);
        var movements = new List<Movement>(days.Count + 1) { item.Movements[0] };
        var balance = item.Opened.Minor;
        foreach (var day in days)
        {
            var open = item.OpenByValue(day).Minor + (item.Movements[0].ValueDate > day ? item.Opened.Minor : 0);
            long disputed = 0;
            foreach (var (from, until, minor) in disputes)
                if (from <= day.AddDays(1) && day.AddDays(1) < until)
                    disputed += minor;
            var bears = open - Math.Min(disputed, Math.Max(0, open));
            if (bears != balance)
                movements.Add(new(MovementKind.Opened, day, Money.FromMinor(bears - balance, item.Currency), day));
            balance = bears;
        }

        return item with
        {
            Movements = movements,
        };
    }
}
