namespace KiteLine.Core;

/// <summary>The next day on which the amount to settle differs for another reason than daily interest.</summary>
/// <param name="Date">The first day with the new figure.</param>
/// <param name="Reason">Why, as a phrase for the controller.</param>
public sealed record NextChange(DateOnly Date, string Reason)
{
    // Days on which something may change are tried in order; an account with hundreds of items has its next change long
    // before.
    private const int MostDaysTried = 60;

    /// <summary>
    /// Looks for it after a day, as things stood on that day by value: the end of a discount or of a wait, a month
    /// that is begun or completed, a new rate, the end of a promise. A day on which nothing changes is none.
    /// </summary>
    public static NextChange? After(AccountLedger ledger, DateOnly on, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(ledger);
        ArgumentNullException.ThrowIfNull(rules);
        Item[] items =
        [
            .. ledger.Items.Where(i => i.Date <= on || i.OpenByValue(on).Minor != 0).Select(i => AsOf(i, on, rules)),
        ];
        var found = new SortedDictionary<DateOnly, List<string>>();
        void Add(DateOnly date, string reason)
        {
            if (date <= on)
                return;
            if (!found.TryGetValue(date, out var reasons))
                found.Add(date, reasons = []);
            reasons.Add(reason);
        }

        foreach (var item in items)
            if (item.DiscountOn(on, rules.Rounding) is { } d)
                Add(
                    d.LastDay.AddDays(1),
                    $"discount of {d.Amount} on {item.Document} ends after {Exactly.Day(d.LastDay)}"
                );
        foreach (var promise in PromiseLedger.On(ledger.Book, on, rules.Calendar).Open)
            Add(
                promise.JudgedOn,
                $"the promise of {Money.FromMinor(promise.Promise.Minor, ledger.Currency)} ends after "
                    + $"{Exactly.Day(promise.Promise.DueOn)}"
            );
        var certain = found.Count > 0 ? found.Keys.First() : (DateOnly?)null;
        if (ledger.Policy is { } policy)
        {
            var days = ChargeDays(items, policy, on)
                .Where(d => d > on && !(d > certain))
                .Distinct()
                .Order()
                .Take(MostDaysTried);
            foreach (var day in days)
            {
                var reasons = Reasons(items, policy, day, on, rules).ToArray();
                if (reasons.Length == 0)
                    continue;
                foreach (var reason in reasons)
                    Add(day, reason);
                break;
            }
        }

        return found.Count == 0 ? null : new(found.Keys.First(), string.Join("; ", found.Values.First()));
    }

    // A past day knows nothing of what moved later; a day to come starts from all that is known.
    private static Item AsOf(Item item, DateOnly on, BooksRules rules) =>
        on >= rules.Today || item.Movements.All(m => m.ValueDate <= on)
            ? item
            : item with
            {
                Movements = [.. item.Movements.Where((m, i) => i == 0 || m.ValueDate <= on)],
            };

    // The days on which what has accrued may jump.
    private static IEnumerable<DateOnly> ChargeDays(Item[] items, LateChargePolicy policy, DateOnly on)
    {
        foreach (var item in items)
        {
            if (!policy.Bears(item) || item.OpenByValue(on).Minor <= 0)
                continue;
            var endOfWait = item.Due.AddDays(policy.WaitDays);
            yield return endOfWait.AddDays(1);
            if (policy is { Method: ChargeMethod.Monthly, Monthly: { } monthly })
            {
                var start = policy.CountFrom == CountFrom.DueDate ? item.Due : endOfWait;
                // From the month before the day to two after it, so that the next one is among them wherever the start
                // lies.
                var month = Math.Max(0, ((on.Year - start.Year) * 12) + on.Month - start.Month - 1);
                for (var n = month; n < month + 4; n++)
                    yield return MonthlyMethod.ChargedOn(monthly, start, n);
            }
            else
            {
                foreach (var row in policy.RatesFor(item.Due, on.AddYears(1)))
                    yield return row.From;
            }
        }
    }

    private static IEnumerable<string> Reasons(
        Item[] items,
        LateChargePolicy policy,
        DateOnly day,
        DateOnly known,
        BooksRules rules
    )
    {
        var label = policy.Label.ToLowerInvariant();
        var (before, after) = (Totals(day.AddDays(-1)), Totals(day));
        foreach (var item in items)
        {
            var (was, now) = (before.GetValueOrDefault(item.Id), after.GetValueOrDefault(item.Id));
            if (was == 0 && now > 0 && item.Due.AddDays(policy.WaitDays + 1) == day)
                yield return $"{label} on {item.Document} begins";
            else if (policy.Method == ChargeMethod.Monthly && was != now)
                yield return $"another month of {label} on {item.Document}";
            else if (
                policy.Method == ChargeMethod.Daily
                && now > was
                && Rate(item, day) is var rate
                && rate != Rate(item, day.AddDays(-1))
            )
                yield return $"{Exactly.Plain(rate)} % a year holds for {item.Document}";
        }

        Dictionary<long, long> Totals(DateOnly through) =>
            AccountCharges
                .On(items, policy, through, known, rules)
                .Lines.ToDictionary(l => l.Item.Id, l => l.Total.Minor);

        decimal Rate(Item item, DateOnly on) =>
            Dated.InForce(policy.RatesFor(item.Due, on), r => r.From, on)?.AnnualRate ?? 0;
    }
}
