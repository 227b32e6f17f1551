namespace KiteLine.Core;

/// <summary>
/// Where one account stands on a day: the figures of a row of the board, in minor units of its currency.
/// </summary>
public sealed record AccountPosition
{
    /// <summary>Whose position it is.</summary>
    public required BookAccount Account { get; init; }

    /// <summary>The end of this day.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>Whether the account may be supplied on the day.</summary>
    public required AccountState State { get; init; }

    /// <summary>Open items that count, debits less credits.</summary>
    public required long OpenItems { get; init; }

    /// <summary>Receipts whose money is not certain yet, where the company counts them.</summary>
    public required long Uncleared { get; init; }

    /// <summary>Approved orders not yet invoiced.</summary>
    public required long Orders { get; init; }

    /// <summary>Orders, or parts of them, that are held; they are not exposed.</summary>
    public required long Held { get; init; }

    /// <summary>What is disputed of open items, whether it counts or not.</summary>
    public required long Disputed { get; init; }

    /// <summary>The change of the standing limit that is in force, or null without any.</summary>
    public required LimitChange? Limit { get; init; }

    /// <summary>Uplifts in force, together, in minor units.</summary>
    public required long Uplift { get; init; }

    /// <summary>The end of the uplift in force that ends first, or null.</summary>
    public DateOnly? UpliftUntil { get; init; }

    /// <summary>Open amounts by age, one for each bucket; their sum is the balance of the account.</summary>
    public required long[] Ageing { get; init; }

    /// <summary>Days by which the oldest open debit is past due; 0 when none is.</summary>
    public required int OldestDays { get; init; }

    /// <summary>
    /// The first day on which the expected exposure passes the limit; null where that was not worked out or will not
    /// be.
    /// </summary>
    public DateOnly? PassesOn { get; init; }

    /// <summary>In minor units; 0 where no limit was set.</summary>
    public long StandingLimit => Limit?.Amount.Minor ?? 0;

    /// <summary>
    /// What the company stands to lose if the customer stops paying: open items, uncleared receipts and orders.
    /// </summary>
    public long Exposure => OpenItems + Uncleared + Orders;

    /// <summary>Standing limit plus uplifts in force.</summary>
    public long EffectiveLimit => StandingLimit + Uplift;

    /// <summary>Effective limit less exposure; negative when the account is over its limit.</summary>
    public long Headroom => EffectiveLimit - Exposure;

    /// <summary>Whether the day for looking at the limit again has passed.</summary>
    public bool ReviewLapsed => Limit?.ReviewOn < Day;

    /// <summary>
    /// Open amounts past due, credits of those days taken off; always by the due date, whatever the ageing goes by.
    /// </summary>
    public required long Overdue { get; init; }

    /// <summary>Exposure as a fraction of the effective limit; very large when there is no limit to use.</summary>
    public decimal Utilisation =>
        EffectiveLimit > 0 ? (decimal)Exposure / EffectiveLimit
        : Exposure > 0 ? 1_000_000
        : 0;

    /// <summary>How its promises stand on this day.</summary>
    public PromiseLedger Promises { get; init; } = PromiseLedger.None;

    /// <summary>The one that counts: the broken one due last, else the open one due first, else the last.</summary>
    public PromiseStanding? Promise => Promises.Told;

    /// <summary>Works out where an account stood at the end of a day, as the books showed it then.</summary>
    public static AccountPosition On(BookAccount account, DateOnly day, PositionRules rules)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(rules);
        account = account.WithDuesOn(day);
        var (settings, buckets) = (rules.Exposure, rules.Buckets);
        var ageing = new long[buckets.Count];
        long counted = 0,
            disputed = 0,
            overdue = 0;
        var oldest = 0;
        var items = account.Items.AsSpan();
        for (var i = 0; i < items.Length; i++)
        {
            ref readonly var item = ref items[i];
            var open = account.OpenAsShown(item, day);
            if (open == 0)
                continue;
            var inDispute = account.Disputes.Count == 0 ? 0 : account.DisputedAt(i, open, day);
            disputed += inDispute;
            if (settings.Counts(item.Kind))
                counted += settings.DisputedCount ? open : open - inDispute;
            var days = buckets.DaysOf(item.Date, item.Due, day);
            ageing[buckets.IndexOf(days)] += open;
            var late = Core.Overdue.Days(item.Due, day);
            overdue += Core.Overdue.Net(item.Due, open, day);
            if (open > 0 && late > oldest)
                oldest = late;
        }

        long orders = 0,
            held = 0;
        for (var i = 0; i < account.Orders.Count; i++)
        {
            if (account.Orders[i].On(day) is not { } step)
                continue;
            orders += step.NotInvoiced(day);
            held += step.Held(day);
        }

        long uncleared = 0;
        for (var i = 0; i < account.Receipts.Count; i++)
            uncleared += account.Receipts[i].UnclearedOn(day, settings);

        var limit = LimitStanding.On(account.Limits, account.Uplifts, day);
        return new()
        {
            Account = account.InGroupOn(day),
            Day = day,
            State = StateChange.On(account.States, day),
            OpenItems = counted,
            Uncleared = uncleared,
            Orders = orders,
            Held = held,
            Disputed = disputed,
            Overdue = overdue,
            Limit = limit.Change,
            Uplift = limit.Uplift,
            UpliftUntil = limit.UpliftUntil,
            Promises = PromiseLedger.On(account, day, rules.Calendar),
            Ageing = ageing,
            OldestDays = oldest,
        };
    }

    /// <summary>
    /// What is exposed, for drawing: one amount for each bucket, then receipts not cleared, then orders; none negative,
    /// adding up to the exposure when that is above zero. Credits are taken off the oldest debits first.
    /// </summary>
    public long[] DrawnParts()
    {
        var parts = new long[Ageing.Length + 2];
        long given = 0;
        for (var i = 0; i < Ageing.Length; i++)
        {
            parts[i] = Math.Max(0, Ageing[i]);
            given += parts[i];
        }

        parts[^2] = Uncleared;
        parts[^1] = Orders;
        // What settings leave out, and credits, shorten the bar from its old end; receipts and orders go last.
        var surplus = given - OpenItems;
        for (var i = Ageing.Length - 1; i >= 0 && surplus > 0; i--)
            surplus -= Take(i, surplus);
        if (surplus > 0)
            surplus -= Take(parts.Length - 2, surplus);
        if (surplus > 0)
            surplus -= Take(parts.Length - 1, surplus);
        if (surplus < 0)
            parts[0] -= surplus;
        return parts;

        long Take(int part, long most)
        {
            var taken = Math.Min(parts[part], most);
            parts[part] -= taken;
            return taken;
        }
    }
}
