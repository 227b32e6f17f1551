namespace KiteLine.Core;

/// <summary>
/// The exposure expected over the next days: open items, less the credits that the oldest of them use up, leave on their due
/// date plus the account's own average days late, uncleared receipts when they clear; held orders come in on their
/// delivery dates, and what is delivered leaves when it would be paid by the account's terms. What is past the day on
/// which it would usually have been paid is expected to stay.
/// </summary>
public sealed class Forecast
{
    /// <summary>How far it reaches.</summary>
    public const int Days = 60;

    private Forecast(AccountPosition now, decimal daysLate, ForecastDay[] days, IReadOnlyList<ForecastEvent> events)
    {
        Now = now;
        DaysLate = daysLate;
        Course = days;
        Events = events;
        PassesOn = now.Headroom < 0 ? null : ForecastDay.FirstBeyond(days)?.Day;
    }

    /// <summary>Where the account stands at the beginning.</summary>
    public AccountPosition Now { get; }

    /// <summary>The average days late it reckons with; 0 where the account has no history.</summary>
    public decimal DaysLate { get; }

    /// <summary>The day itself and the sixty after it.</summary>
    public IReadOnlyList<ForecastDay> Course { get; }

    /// <summary>What changes the exposure, in order of days.</summary>
    public IReadOnlyList<ForecastEvent> Events { get; }

    /// <summary>The first day on which the limit is passed; null when it will not be, or is passed already.</summary>
    public DateOnly? PassesOn { get; }

    /// <summary>
    /// The first day on which an account passes its limit, for a whole book: most accounts need no forecast, since an
    /// exposure only falls and a limit only holds where no order is held, no uplift ends and no limit changes to come.
    /// </summary>
    public static DateOnly? PassesFrom(AccountPosition now, ExposureSettings settings)
    {
        ArgumentNullException.ThrowIfNull(now);
        var moves = now.Held > 0 || ForecastDay.LimitMayFall(now.Account.Limits, now.Account.Uplifts, now.Day);
        return moves && now.Headroom >= 0 ? Of(now, settings).PassesOn : null;
    }

    /// <summary>Works it out from where an account stands.</summary>
    /// <param name="name">Names an item of the account by its index, for the events.</param>
    public static Forecast Of(AccountPosition now, ExposureSettings settings, Func<int, string>? name = null)
    {
        ArgumentNullException.ThrowIfNull(now);
        ArgumentNullException.ThrowIfNull(settings);
        var (account, today) = (now.Account, now.Day);
        var late = Core.DaysLate.Of(account, today) ?? 0;
        var lateDays = (int)Math.Round(late, MidpointRounding.AwayFromZero);
        var events = new List<ForecastEvent>();
        var debits = new List<(int At, long Open)>();
        long credits = 0;
        for (var i = 0; i < account.Items.Length; i++)
        {
            if (!settings.Counts(account.Items[i].Kind))
                continue;
            var open = account.OpenAsShown(account.Items[i], today);
            if (open < 0)
                credits -= open;
            if (open > 0 && !settings.DisputedCount)
                open -= account.DisputedAt(i, open, today);
            if (open > 0)
                debits.Add((i, open));
        }

        // Credits that count are used up by the oldest items: what is expected is what is owed, not what was invoiced.
        debits.Sort((a, b) => account.Items[a.At].Due.CompareTo(account.Items[b.At].Due));
        foreach (var (at, open) in debits)
        {
            var used = Math.Min(credits, open);
            credits -= used;
            var expected = account.Items[at].Due.AddDays(lateDays);
            if (open > used)
                events.Add(new(expected > today ? expected : null, name?.Invoke(at) ?? "", used - open));
        }

        foreach (var receipt in account.Receipts)
            if (receipt.UnclearedOn(today, settings) is > 0 and var uncleared)
                events.Add(new(receipt.ClearsOn, $"{receipt.Number} is certain", -uncleared));

        foreach (var order in account.Orders)
        {
            if (order.On(today) is not { } step)
                continue;
            Deliver(order, step.NotInvoiced(today), comesIn: false);
            Deliver(order, step.Held(today), comesIn: true);
        }

        events.Sort((a, b) => (a.On ?? DateOnly.MaxValue).CompareTo(b.On ?? DateOnly.MaxValue));
        var course = new ForecastDay[Days + 1];
        var (exposure, next) = (now.Exposure, 0);
        for (var d = 0; d <= Days; d++)
        {
            var day = today.AddDays(d);
            while (next < events.Count && events[next].On is { } on && on <= day)
                exposure += events[next++].Minor;
            course[d] = ForecastDay.On(day, exposure, account.Limits, account.Uplifts, today);
        }

        return new(now, late, course, events);

        // The parts that are still to come are the last of those planned.
        void Deliver(BookOrder order, long left, bool comesIn)
        {
            for (var i = order.Deliveries.Count - 1; i >= -1 && left > 0; i--)
            {
                var part = i < 0 ? left : Math.Min(left, order.Deliveries[i].Minor);
                var on = i < 0 || order.Deliveries[i].On <= today ? today.AddDays(1) : order.Deliveries[i].On;
                left -= part;
                if (comesIn)
                    events.Add(new(on, $"{order.Number} is delivered, if released", part));
                var paid = (account.Terms?.Instalments[^1].Due.For(on) ?? on.AddDays(30)).AddDays(lateDays);
                events.Add(new(paid > on ? paid : on, $"{order.Number} is paid", -part));
            }
        }
    }

    /// <summary>Lists what it reckons with.</summary>
    public IReadOnlyList<Working> Workings()
    {
        string Text(long minor) => Money.FromMinor(minor, Now.Account.Currency).ToString();
        return
        [
            new("Exposure now", $"at the end of {Exactly.Day(Now.Day)}", Text(Now.Exposure)),
            new("Average days late", "of the last year, weighted by amount", Exactly.Plain(DaysLate)),
            .. Events
                .Where(e => e.On is { } on && on <= Course[^1].Day)
                .Select(e => new Working(e.What, $"expected on {Exactly.Day(e.On!.Value)}", Text(e.Minor))),
            .. Events
                .Where(e => e.On is null)
                .Select(e => new Working(
                    e.What,
                    "past the day on which it would usually be paid; expected to stay",
                    "—"
                )),
            new("Exposure then", $"at the end of {Exactly.Day(Course[^1].Day)}", Text(Course[^1].Exposure)),
            new(
                "Passes the limit",
                Now.Headroom < 0 ? "is over it already"
                    : PassesOn is { } day ? $"on {Exactly.Day(day)}"
                    : "not within 60 days",
                PassesOn is { } first
                    ? Text(Course.First(d => d.Day == first) is var d ? d.Exposure - d.Limit : 0)
                    : "—"
            ),
        ];
    }
}
