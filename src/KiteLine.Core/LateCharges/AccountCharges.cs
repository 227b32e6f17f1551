namespace KiteLine.Core;

/// <summary>The late charges that an account's items have accrued and that were not raised yet.</summary>
public static class AccountCharges
{
    /// <summary>
    /// For each item that the policy charges, what it has accrued from where it was last charged up to and including a
    /// day, and what earlier charges are to be corrected by. Where the policy limits what a run may charge an account,
    /// the items due first go first.
    /// </summary>
    /// <param name="items">All items of the account, closed ones too: they may have been late before they were
    /// paid.</param>
    /// <param name="policy">The policy, which must have no <see cref="LateChargePolicy.Problems"/>; its amounts are in
    /// the base currency.</param>
    /// <param name="through">The last day to charge.</param>
    /// <param name="known">Charges dated up to this day count as raised: for a past day those of that day, for posting
    /// all.</param>
    public static AccountCharge On(
        IReadOnlyList<Item> items,
        LateChargePolicy policy,
        DateOnly through,
        DateOnly known,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(policy);
        ArgumentNullException.ThrowIfNull(rules);
        if (items.Count == 0)
            return new([], null);
        items = Item.AsOn(items, through);
        var currency = items[0].Currency;
        // There is no rate of a day to come; today's is the last there is.
        var day = known < rules.Today ? known : rules.Today;
        if (policy.In(currency, day, rules.Rates) is not { } inCurrency)
            return new(
                [],
                $"The amounts of the policy cannot be stated in {currency.Code}: there is no rate for {Exactly.Day(day)}."
            );

        var replay = items.Any(i => i.Raised.Count > 0) ? new ChargeReplay(items, known, rules) : null;
        var shared = Shared(inCurrency, items, through, known, replay);
        var lines = new List<ItemCharge>(items.Count);
        foreach (var item in items)
        {
            var bears = inCurrency.Bears(item);
            if (!bears && item.Raised.Count == 0)
                continue;
            var standing = replay?.Of(item) ?? ChargeReplay.Standing.Fresh;
            var segments = !bears
                ? []
                : shared?.GetValueOrDefault(item.Id) ?? Segments(item, inCurrency, standing.Through, through, known);
            var line = Bounded(item, inCurrency, standing, segments, through, known, rules.Rounding);
            lines.Add(
                standing.Should == standing.Was
                    ? line
                    : line with
                    {
                        Correction = Money.FromMinor(standing.Should - standing.Was, currency),
                    }
            );
        }

        var within = Within(inCurrency, lines, rules.Rounding);
        return new(within.All(l => l.HasLine) ? within : [.. within.Where(l => l.HasLine)], null);
    }

    /// <summary>
    /// The charge of one item by itself, of which nothing was raised but its days up to one; for trying a policy out.
    /// </summary>
    /// <param name="policy">The policy with its amounts in the item's currency.</param>
    /// <param name="chargedThrough">The last day already charged, or null.</param>
    public static ItemCharge OfItem(
        Item item,
        LateChargePolicy policy,
        DateOnly? chargedThrough,
        DateOnly through,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(item);
        ArgumentNullException.ThrowIfNull(policy);
        var segments = policy.Bears(item) ? Segments(item, policy, chargedThrough, through, through) : [];
        return Within(
            policy,
            [Bounded(item, policy, new() { Through = chargedThrough }, segments, through, through, rounding)],
            rounding
        )[0];
    }

    /// <summary>
    /// The segments of all items where bands are measured on the account, by item; null where they are not.
    /// </summary>
    internal static Dictionary<long, List<ChargeSegment>>? Shared(
        LateChargePolicy policy,
        IReadOnlyList<Item> items,
        DateOnly through,
        DateOnly known,
        ChargeReplay? replay
    )
    {
        if (policy is not { BandsOn: BandsOn.Account, Bands.Count: > 0, Method: ChargeMethod.Daily })
            return null;
        var charged = items.Where(policy.Bears).Select(i => HeldBalance.Of(i, policy, known)).ToArray();
        var segments = AccountBands.Accrue(policy, charged, through, i => replay?.Of(i).Through);
        return charged.Select((item, i) => (item.Id, Segments: segments[i])).ToDictionary(x => x.Id, x => x.Segments);
    }

    internal static List<ChargeSegment> Segments(
        Item item,
        LateChargePolicy policy,
        DateOnly? chargedThrough,
        DateOnly through,
        DateOnly known
    )
    {
        item = HeldBalance.Of(item, policy, known);
        // Most items have few changes, and a run works out very many items.
        var changes = item.Movements.Count > 1 ? new BalanceChange[item.Movements.Count - 1] : [];
        for (var i = 0; i < changes.Length; i++)
            changes[i] = new(item.Movements[i + 1].ValueDate, item.Movements[i + 1].Amount.Amount);
        if (changes.Length > 1)
            changes = [.. changes.OrderBy(c => c.Date)];
        var segments = new List<ChargeSegment>(policy.Bands.Count + 1);
        var span = changes.AsSpan();
        if (policy.Method == ChargeMethod.Monthly)
            MonthlyMethod.Accrue(policy, item.Opened.Amount, span, item.Due, chargedThrough, through, segments);
        else
            DailyMethod.Accrue(policy, item.Opened.Amount, span, item.Due, chargedThrough, through, segments);
        return segments;
    }

    /// <summary>The charge of one item within its own minimum and maximum and what it may bear over its life.</summary>
    internal static ItemCharge Bounded(
        Item item,
        LateChargePolicy policy,
        ChargeReplay.Standing standing,
        List<ChargeSegment> segments,
        DateOnly through,
        DateOnly known,
        RoundingRule rounding
    )
    {
        var currency = item.Currency;
        var carried = Math.Round(standing.Exact - Money.FromMinor(standing.Charged, currency).Amount, 18);
        var accrued = DailyMethod.Accrued(
            segments,
            standing.Exact,
            Money.FromMinor(standing.Charged, currency),
            rounding
        );
        var interest = DailyMethod.Bounded(policy, accrued, rounding);
        if (policy.MaximumOverLife is { } life)
            interest = Money.Max(
                Money.Zero(currency),
                Money.Min(
                    interest,
                    Money.Round(life, currency, rounding) - Money.FromMinor(standing.Interest, currency)
                )
            );
        var compensation =
            interest.Minor > 0 && !standing.Compensated
                ? Money.Round(
                    policy.CompensationFor(HeldBalance.Of(item, policy, known).OpenByValue(item.Due).Amount),
                    currency,
                    rounding
                )
                : Money.Zero(currency);
        return new(
            item,
            through,
            interest,
            compensation,
            Money.Zero(currency),
            segments,
            segments.Count == 0 ? 0 : carried,
            interest < accrued && !BelowMinimumSkipped(policy, accrued)
        );
    }

    /// <summary>Notes a charge as raised.</summary>
    internal static void Take(ChargeReplay.Standing standing, ItemCharge charge)
    {
        var exact = Math.Round(standing.Exact + ChargeSegment.Sum(charge.Segments), 18);
        var charged = standing.Charged + charge.Interest.Minor;
        // A minimum or a maximum settles its days for good; otherwise what rounding left is carried on.
        var plain =
            charge.Interest.IsZero && !charge.CutOff
            || Money.FromMinor(charged, charge.Item.Currency).Amount is var all
                && Math.Abs(all - exact) <= 0.5m / charge.Item.Currency.MinorPerMajor;
        (standing.Exact, standing.Charged) = plain ? (exact, charged) : (0, 0);
        standing.Interest += charge.Interest.Minor;
        standing.Compensated |= !charge.Compensation.IsZero;
        if (!(charge.Through <= standing.Through))
            standing.Through = charge.Through;
    }

    /// <summary>Holds charges raised together to what a run may charge the account.</summary>
    internal static IReadOnlyList<ItemCharge> Within(
        LateChargePolicy policy,
        IReadOnlyList<ItemCharge> charges,
        RoundingRule rounding
    )
    {
        if (policy.MaximumPerRun is not { } most || charges.Count == 0)
            return charges;
        var held = charges.ToArray();
        var left = Money.Round(most, held[0].Interest.Currency, rounding);
        foreach (var i in Enumerable.Range(0, held.Length).OrderBy(i => held[i].Item.Due).ThenBy(i => held[i].Item.Id))
        {
            // The fixed sum comes first; interest takes what is left.
            var compensation = Money.Min(held[i].Compensation, left);
            var interest = Money.Min(held[i].Interest, left - compensation);
            var cut = interest < held[i].Interest || compensation < held[i].Compensation;
            held[i] = held[i] with { Compensation = compensation, Interest = interest, CutOff = held[i].CutOff || cut };
            left -= compensation + interest;
        }

        return held;
    }

    private static bool BelowMinimumSkipped(LateChargePolicy policy, Money accrued) =>
        policy.BelowMinimum == BelowMinimum.Skip && accrued.Amount < policy.Minimum;
}
