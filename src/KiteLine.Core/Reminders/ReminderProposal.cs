namespace KiteLine.Core;

/// <summary>The next reminder of an account, or why there is none.</summary>
public sealed record ReminderProposal
{
    /// <summary>The day the letter would bear.</summary>
    public required DateOnly Date { get; init; }

    /// <summary>The letter's level, counted from 1; 0 when none is proposed.</summary>
    public int Level { get; init; }

    /// <summary>Everything the letter asks for: what moves to its level, and what it only lists.</summary>
    public IReadOnlyList<RemindedItem> Items { get; init; } = [];

    /// <summary>The items that move to the letter's level.</summary>
    public IReadOnlyList<RemindedItem> Moving => [.. Items.Where(i => i.Moves)];

    /// <summary>Overdue items that do not move now: reminded of before, or charges and fees, which have no level.</summary>
    public IReadOnlyList<RemindedItem> Listed => [.. Items.Where(i => !i.Moves)];

    /// <summary>
    /// What the letter asks for as fees: its own, and shown ones of earlier letters that stand beside it.
    /// </summary>
    public Money Fee => OwnFee + EarlierFees;

    /// <summary>What this letter adds, whether it is posted or only shown.</summary>
    public required Money OwnFee { get; init; }

    /// <summary>Shown fees of earlier letters that still stand.</summary>
    public required Money EarlierFees { get; init; }

    /// <summary>How the fees come about.</summary>
    public IReadOnlyList<Working> FeeWorkings { get; init; } = [];

    /// <summary>Late charge accrued on the items, with its tax, where the level states it.</summary>
    public required Money LateCharge { get; init; }

    /// <summary>The day it asks to be paid by; null where there is no letter.</summary>
    public DateOnly? PayBy { get; init; }

    /// <summary>Why nothing is proposed, as a sentence; null when something is.</summary>
    public string? LeftOut { get; init; }

    /// <summary>The kind of that reason; null when something is proposed.</summary>
    public ReminderHold? Hold { get; init; }

    /// <summary>What is overdue of what a letter may ask for, whether or not there is one.</summary>
    public Money? Overdue { get; init; }

    /// <summary>Overdue items that the letter leaves out, whole or in part, each with its reason.</summary>
    public IReadOnlyList<ItemLeftOut> ItemsLeftOut { get; init; } = [];

    /// <summary>When the next level can be reached, or null.</summary>
    public DateOnly? NextOn { get; init; }

    /// <summary>Items, fee and late charge: what the letter asks for.</summary>
    public Money Total => Items.Aggregate(Fee + LateCharge, (sum, i) => sum + i.Open);

    /// <summary>
    /// Proposes the next reminder. A letter covers all overdue debits of the account at the highest level that one of
    /// them can reach, and each item that can moves; where each level has a letter of its own it covers the items that
    /// reach that level, and those of lower levels are proposed once it is issued. What is disputed is left out, and a
    /// promise pauses reminders until it is judged.
    /// </summary>
    /// <param name="change">What the controller decided otherwise; null for nothing.</param>
    public static ReminderProposal For(
        AccountLedger ledger,
        DateOnly date,
        BooksRules rules,
        ReminderChange? change = null
    )
    {
        change ??= ReminderChange.None;
        ArgumentNullException.ThrowIfNull(ledger);
        ArgumentNullException.ThrowIfNull(rules);
        ledger = ledger with { Items = Item.AsOn(ledger.Items, date) };
        var (zero, currency) = (Money.Zero(ledger.Currency), ledger.Currency);
        var empty = new ReminderProposal
        {
            Date = date,
            OwnFee = zero,
            EarlierFees = zero,
            LateCharge = zero,
        };
        if (ledger.Plan is not { } given)
            return empty.Without(ReminderHold.NoPlan, "The account has no reminder plan.");
        var day = date < rules.Today ? date : rules.Today;
        if (given.In(currency, day, rules.Rates) is not { } plan)
            return empty.Without(
                ReminderHold.NoRate,
                $"The amounts of the plan cannot be stated in {currency.Code}: there is no rate for {Exactly.Day(day)}."
            );
        if (CollectionCase.On(ledger.Book, date) is { } theirs)
            return empty.Without(ReminderHold.HandedOver, theirs.Why);

        var open = ledger.Items.Where(i => i.OpenByValue(date).Minor > 0).ToLookup(i => change.LeaveOut.Contains(i.Id));
        var debits = open[false].Select(i => Asked.On(i, date)).ToArray();
        var overdue = debits.Where(d => d.Item.DaysOverdue(date) > 0 && d.Open.Minor > 0).ToArray();
        var next = debits
            .Where(d => d.Item.Kind == ItemKind.Invoice && d.Open.Minor > 0)
            .Select(d => plan.NextOn(d.Item))
            .Where(d => d > date)
            .Min();
        empty = empty with
        {
            NextOn = next,
            Overdue = Sum(overdue, zero),
            ItemsLeftOut =
            [
                .. debits
                    .Where(d => d.Item.DaysOverdue(date) > 0 && !d.Disputed.IsZero)
                    .Select(d => new ItemLeftOut(d.Item, "disputed", d.Disputed)),
                .. open[true]
                    .Where(i => i.DaysOverdue(date) > 0)
                    .Select(i => new ItemLeftOut(i, "left out", i.OpenByValue(date))),
            ],
        };
        if (!change.TakeIn && AccountPause.On(ledger.Book, date) is { } pause && overdue.Length > 0)
            return empty.Without(
                ReminderHold.Paused,
                $"Reminders are paused until {Exactly.Day(pause.Until)}: {pause.Reason}"
            ) with
            {
                NextOn = pause.Until,
            };
        if (
            !change.TakeIn
            && PromiseLedger.On(ledger.Book, date, rules.Calendar).Open.LastOrDefault() is { } promise
            && overdue.Length > 0
        )
            return empty.Without(
                ReminderHold.Promised,
                $"{Money.FromMinor(promise.Promise.Minor, currency)} is promised by "
                    + $"{Exactly.Day(promise.Promise.DueOn)}; reminders pause until then."
            ) with
            {
                NextOn = promise.JudgedOn,
            };
        if (overdue.Length == 0)
            return empty.ItemsLeftOut.Count == 0
                ? empty.Without(ReminderHold.NothingOverdue, "Nothing is overdue.")
                : empty.Without(
                    ReminderHold.AllHeld,
                    open[true].Any()
                        ? "All that is overdue is disputed or left out."
                        : "All that is overdue is disputed."
                );

        var ready = overdue
            .Where(d => d.Item.Kind == ItemKind.Invoice && plan.NextOn(d.Item) <= date)
            .ToDictionary(d => d.Item.Id, d => plan.NextLevel(d.Item, date));
        if (ready.Count == 0 && change.TakeIn)
            ready = overdue
                .Where(d => d.Item.Kind == ItemKind.Invoice && plan.NextLevel(d.Item, date) > 0)
                .ToDictionary(d => d.Item.Id, d => plan.NextLevel(d.Item, date));
        if (ready.Count == 0)
            return next is null
                ? empty.Without(ReminderHold.LastSent, "Every overdue item has had its last reminder.")
                : empty.Without(ReminderHold.NotYet, $"The next level is reached on {Exactly.Day(next.Value)}.");
        if (change.Level is { } chosen)
            ready = ready.Keys.ToDictionary(id => id, _ => Math.Clamp(chosen, 1, plan.Levels.Count));

        var credits = -ledger
            .Items.Select(i => i.OpenByValue(date))
            .Where(m => m.Minor < 0)
            .Aggregate(zero, (sum, m) => sum + m);
        if (!change.TakeIn && credits >= Sum(overdue, zero))
            return empty.Without(ReminderHold.Credits, $"Credits of {credits} cover the {Sum(overdue, zero)} overdue.");

        // The highest level comes first; with letters of their own, a lower one follows where that asks for too little.
        string? tooLittle = null;
        foreach (var number in ready.Values.Distinct().OrderDescending().Take(plan.LetterPerLevel ? int.MaxValue : 1))
        {
            var covered = plan.LetterPerLevel
                ? [.. overdue.Where(d => ready.GetValueOrDefault(d.Item.Id) == number)]
                : overdue;
            var total = Sum(covered, zero);
            if (change.TakeIn || total.Amount >= plan.Levels[number - 1].LeastOverdue)
                return Letter(empty, ledger, covered, ready, plan, number, rules);
            tooLittle ??=
                $"{total} overdue is below the minimum of {Exactly.Plain(plan.Levels[number - 1].LeastOverdue)} "
                + $"for level {number}.";
        }

        return empty.Without(ReminderHold.TooLittle, tooLittle!);
    }

    private ReminderProposal Without(ReminderHold hold, string why) => this with { Hold = hold, LeftOut = why };

    /// <summary>A debit with what a letter may ask for of it.</summary>
    private sealed record Asked(Item Item, Money Open, Money Disputed)
    {
        internal static Asked On(Item item, DateOnly date)
        {
            var open = item.OpenByValue(date);
            var disputed = item.DisputedOn(date, open);
            return new(item, open - disputed, disputed);
        }
    }

    private static Money Sum(IEnumerable<Asked> of, Money zero) => of.Aggregate(zero, (sum, d) => sum + d.Open);

    private static ReminderProposal Letter(
        ReminderProposal empty,
        AccountLedger ledger,
        Asked[] covered,
        Dictionary<long, int> ready,
        ReminderPlan plan,
        int number,
        BooksRules rules
    )
    {
        var (level, date, zero) = (plan.Levels[number - 1], empty.Date, Money.Zero(ledger.Currency));
        // What the level posts is what is not raised today; what it shows is what stood on the letter's day.
        var charges =
            level.LateCharge != Treatment.None && ledger.Policy is { } policy
                ? AccountCharges
                    .On(ledger.Items, policy, date, level.LateCharge == Treatment.Post ? rules.Today : date, rules)
                    .Lines.ToDictionary(c => c.Item.Id, c => c.Total)
                : [];
        var lines = covered
            .OrderBy(d => d.Item.Due)
            .ThenBy(d => d.Item.Id)
            .Select(d => new RemindedItem(
                d.Item,
                d.Open,
                d.Item.DaysOverdue(date),
                ready.TryGetValue(d.Item.Id, out var reached) ? reached : d.Item.ReminderLevel,
                ready.ContainsKey(d.Item.Id),
                charges.GetValueOrDefault(d.Item.Id, zero)
            ))
            .ToArray();
        var net = lines.Aggregate(zero, (sum, l) => sum + l.LateCharge);

        var measured = lines
            .Where(l => l.Moves || (level.FeeOnCharges && l.Item.Kind != ItemKind.Invoice))
            .Aggregate(zero, (sum, l) => sum + l.Open);
        var earlier = Earlier(ledger, lines, date);
        var fee = LetterFee.Of(
            plan,
            number,
            lines.Count(l => l.Moves),
            measured,
            [.. earlier.Select(e => e.Fee)],
            [.. earlier.Where(e => e.Moves).Select(e => e.Fee)],
            rules.Rounding
        );
        return empty with
        {
            Level = number,
            Items = lines,
            OwnFee = fee.Own,
            EarlierFees = fee.Earlier,
            FeeWorkings = fee.Workings,
            LateCharge = net + LateChargeTax.Of(ledger.ChargeTax, net, date, rules.Rounding),
            PayBy = date.AddDays(level.DaysToPay),
        };
    }

    // The shown fees of earlier letters that stand for the letter's items, and whether the letter moves one of those.
    private static IReadOnlyList<(ShownFee Fee, bool Moves)> Earlier(
        AccountLedger ledger,
        RemindedItem[] lines,
        DateOnly date
    )
    {
        var standing = ShownFee.On(ledger.Letters, ledger.Items, date);
        if (standing.Count == 0)
            return [];
        var moves = lines.ToDictionary(l => l.Item.Id, l => l.Moves);
        var letters = ledger.Letters.ToDictionary(l => l.Number, l => l.Moving);
        return
        [
            .. standing
                .Where(s => letters[s.Reminder].Any(moves.ContainsKey))
                .Select(s => (s, letters[s.Reminder].Any(id => moves.GetValueOrDefault(id)))),
        ];
    }

    /// <summary>The derivation of the amount asked for.</summary>
    public IReadOnlyList<Working> Workings()
    {
        var lines = Items
            .Select(i => new Working(
                i.Item.Document,
                $"due {Exactly.Day(i.Item.Due)}, {i.DaysOverdue} days overdue, level {i.Level}",
                $"{i.Open}"
            ))
            .ToList();
        if (Level == 0)
            return lines;
        lines.Add(new("Late charge to date", "with its tax; see the account's amount to settle", $"{LateCharge}"));
        lines.AddRange(FeeWorkings);
        if (FeeWorkings.Count != 1)
            lines.Add(new("Fee", FeeWorkings.Count == 0 ? $"level {Level} has none" : "sum of the above", $"{Fee}"));
        lines.Add(new("Total", "items + late charge + fee", $"{Total}"));
        return lines;
    }
}
