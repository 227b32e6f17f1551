namespace KiteLine.Core;

/// <summary>Where one account stands on a day: the figures of a row of the board, in minor units of its currency.</summary>
public sealed record AccountPosition
{
    public required BookAccount Account { get; init; }

    public required AccountState State { get; init; }

    /// <summary>Open items that count, debits less credits.</summary>
    public required long OpenItems { get; init; }

    /// <summary>Approved orders not yet invoiced.</summary>
    public required long Orders { get; init; }

    public required long StandingLimit { get; init; }

    public required long Uplift { get; init; }

    /// <summary>The end of the uplift in force that ends first, or null.</summary>
    public DateOnly? UpliftUntil { get; init; }

    /// <summary>Open amounts by age, one for each bucket; their sum is the balance of the account.</summary>
    public required long[] Ageing { get; init; }

    /// <summary>Days by which the oldest open debit is past due; 0 when none is.</summary>
    public required int OldestDays { get; init; }

    /// <summary>What the company stands to lose if the customer stops paying: open items plus orders.</summary>
    public long Exposure => OpenItems + Orders;

    /// <summary>Standing limit plus uplifts in force.</summary>
    public long EffectiveLimit => StandingLimit + Uplift;

    /// <summary>Effective limit less exposure; negative when the account is over its limit.</summary>
    public long Headroom => EffectiveLimit - Exposure;

    /// <summary>The sum of all buckets but the first: open amounts past due, credits of those days taken off.</summary>
    public long Overdue
    {
        get
        {
            long sum = 0;
            for (var i = 1; i < Ageing.Length; i++) sum += Ageing[i];
            return sum;
        }
    }

    /// <summary>Exposure as a fraction of the effective limit; very large when there is no limit to use.</summary>
    public decimal Utilisation => EffectiveLimit > 0 ? (decimal)Exposure / EffectiveLimit : Exposure > 0 ? 1_000_000 : 0;

    /// <summary>Works out where an account stands at the end of a day. Movements count by value date.</summary>
    public static AccountPosition On(BookAccount account, DateOnly day, ExposureSettings settings, AgeingBuckets buckets)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(settings);
        ArgumentNullException.ThrowIfNull(buckets);
        var ageing = new long[buckets.Count];
        long counted = 0;
        var oldest = 0;
        foreach (ref readonly var item in account.Items.AsSpan())
        {
            var open = account.OpenAt(item, day);
            if (open == 0) continue;
            if (settings.Counts(item.Kind)) counted += open;
            var days = buckets.DaysOf(item.Date, item.Due, day);
            ageing[buckets.IndexOf(days)] += open;
            if (open > 0 && day.DayNumber - item.Due.DayNumber > oldest) oldest = day.DayNumber - item.Due.DayNumber;
        }

        long orders = 0;
        for (var i = 0; i < account.Orders.Count; i++)
            if (account.Orders[i].Date <= day) orders += account.Orders[i].NotInvoiced.Minor;

        long uplift = 0;
        DateOnly? until = null;
        for (var i = 0; i < account.Uplifts.Count; i++)
        {
            if (!account.Uplifts[i].InForce(day)) continue;
            uplift += account.Uplifts[i].Amount.Minor;
            if (until is null || account.Uplifts[i].Until < until) until = account.Uplifts[i].Until;
        }

        return new()
        {
            Account = account,
            State = StateChange.On(account.States, day),
            OpenItems = counted,
            Orders = orders,
            StandingLimit = Dated.InForce(account.Limits, l => l.From, day)?.Amount.Minor ?? 0,
            Uplift = uplift,
            UpliftUntil = until,
            Ageing = ageing,
            OldestDays = oldest,
        };
    }

    /// <summary>
    /// The ages of what is exposed, for drawing: one amount for each bucket and the orders last, none negative, adding
    /// up to the exposure when that is above zero. Credits are taken off the oldest debits first.
    /// </summary>
    public long[] DrawnParts()
    {
        var parts = new long[Ageing.Length + 1];
        long given = 0;
        for (var i = 0; i < Ageing.Length; i++)
        {
            parts[i] = Math.Max(0, Ageing[i]);
            given += parts[i];
        }

        parts[^1] = Orders;
        // What settings leave out, and credits, shorten the bar from its old end; orders go last.
        var surplus = given - OpenItems;
        for (var i = Ageing.Length - 1; i >= 0 && surplus > 0; i--)
        {
            var taken = Math.Min(parts[i], surplus);
            parts[i] -= taken;
            surplus -= taken;
        }

        parts[^1] -= Math.Min(parts[^1], Math.Max(0, surplus));
        if (surplus < 0) parts[0] -= surplus;
        return parts;
    }
}
