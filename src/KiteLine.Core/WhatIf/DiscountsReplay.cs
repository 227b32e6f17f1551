namespace KiteLine.Core;

/// <summary>
/// The discounts of an item under other terms. A payment settles as much as it did; the discount in force on its day is taken,
/// unless the customer left one that was in force, and what was decided by hand stays decided.
/// </summary>
internal static class DiscountsReplay
{
    /// <summary>What a payment of one day settled.</summary>
    private readonly record struct Paid(DateOnly Day, Money Cash, Money Discount, Money WrittenOff)
    {
        internal Money Settled => Cash + Discount;
    }

    /// <summary>
    /// The item as the replay has it, with its new due date, discounts and payments; its lines are added to
    /// <paramref name="lines"/>.
    /// </summary>
    internal static Item Of(
        ReplayItem of,
        WhatIfChange change,
        MeasuredPeriod period,
        ReplayRules rules,
        List<ReplayedLine> lines
    )
    {
        var own = of.Item;
        if (own.Kind != ItemKind.Invoice || !period.Holds(own.Date))
            return own;
        var schedule = Replaced(of, change, rules);
        var other = schedule is null ? own : New(of, change.Terms!, schedule, rules);
        if (own.Discounts.Count == 0 && other.Discounts.Count == 0)
            return other;
        return Payments(own, other, Target(of, change, schedule, rules), change, rules.Books.Rounding, lines);
    }

    // Only an invoice that is one item both ways can change its terms: instalments were paid as instalments.
    private static PaymentSchedule? Replaced(ReplayItem of, WhatIfChange change, ReplayRules rules) =>
        change.Terms is { Instalments.Count: 1 } terms && of.Offer is { Shared: false } offer
            ? PaymentSchedule.For(terms, offer.Amounts, offer.Date, rules.Books.Calendar, rules.Books.Rounding)
            : null;

    private static Item New(ReplayItem of, Terms terms, PaymentSchedule schedule, ReplayRules rules) =>
        (of.Offer! with { Terms = terms, Calendar = rules.Books.Calendar }).On(
            of.Item with
            {
                Due = schedule.Instalments[0].Due,
            },
            rules.Books.Rounding
        );

    // The days to which a discount that costs enough draws the payment: under the own terms and under the new ones.
    private static (DateOnly? Own, DateOnly? New)? Target(
        ReplayItem of,
        WhatIfChange change,
        PaymentSchedule? replaced,
        ReplayRules rules
    )
    {
        if (change.MovesFrom is not { } least || of.Offer is not { Shared: false } offer)
            return null;
        DateOnly? Best(PaymentSchedule schedule) =>
            schedule
                .Discounts.Where(d => d.SimpleAnnualCost >= least && d.Amount.Minor > 0)
                .MaxBy(d => d.Amount.Minor)
                ?.Deadline;
        var own = Best(
            PaymentSchedule.For(offer.Terms, offer.Amounts, offer.Date, offer.Calendar, rules.Books.Rounding)
        );
        return (own, replaced is null ? own : Best(replaced));
    }

    private static Item Payments(
        Item own,
        Item other,
        (DateOnly? Own, DateOnly? New)? target,
        WhatIfChange change,
        RoundingRule rounding,
        List<ReplayedLine> lines
    )
    {
        var (replayed, interest) = (new List<Movement>(Others(other)), 0m);
        foreach (var paid in PaymentsOf(own))
        {
            var rule = Rule(Before(own, paid.Day), paid, paid.Day, rounding);
            var day = Moved(paid, own, other, target);
            var with = other with { Movements = replayed };
            var would = Decided(paid, rule, Rule(Before(with, day), paid, day, rounding), other, rounding);
            var cash = paid.Settled - would;
            // What stays as it was stays by the postings that made it.
            if (day == paid.Day && would == paid.Discount)
                replayed.AddRange(own.Movements.Where(m => IsPayment(m) && m.ValueDate == day));
            var (entry, posted) = day == paid.Day ? Posting(own, paid.Day) : (ItemsAt.Moved, day);
            void Move(MovementKind kind, Money amount)
            {
                if (!amount.IsZero && (day != paid.Day || would != paid.Discount))
                    replayed.Add(new(kind, day, -amount, posted, entry));
            }
            Move(MovementKind.Cash, cash);
            Move(MovementKind.Discount, would);
            Move(MovementKind.WriteOff, paid.WrittenOff);
            interest += cash.Amount * (paid.Day.DayNumber - day.DayNumber) * change.CostOfCapital / 365;
            if (paid.Discount.IsZero && would.IsZero)
                continue;
            lines.Add(
                new(ReplayKind.Discount, paid.Day, own.Document, OrNull(paid.Discount), OrNull(would), Why(paid, day))
                {
                    ByHand = paid.Discount != rule,
                }
            );
        }

        if (interest != 0)
            lines.Add(
                new(
                    ReplayKind.CashInterest,
                    own.Due,
                    own.Document,
                    null,
                    OrNull(Money.Round(interest, own.Currency, rounding))
                )
            );
        return other with { Movements = replayed };
    }

    // All but payments, which the replay makes anew.
    private static IEnumerable<Movement> Others(Item item) => item.Movements.Where(m => !IsPayment(m));

    private static bool IsPayment(Movement m) => m.Kind is not (MovementKind.Opened or MovementKind.SetOff);

    // What was taken back cancels what it took back, on its own day.
    private static IEnumerable<Paid> PaymentsOf(Item item)
    {
        foreach (var day in item.Movements.Where(IsPayment).GroupBy(m => m.ValueDate).OrderBy(g => g.Key))
        {
            Money Sum(MovementKind kind) =>
                day.Where(m => m.Kind == kind).Aggregate(Money.Zero(item.Currency), (sum, m) => sum - m.Amount);
            yield return new(day.Key, Sum(MovementKind.Cash), Sum(MovementKind.Discount), Sum(MovementKind.WriteOff));
        }
    }

    private static (long Entry, DateOnly Posted) Posting(Item item, DateOnly day)
    {
        var last = item.Movements.Last(m => IsPayment(m) && m.ValueDate == day);
        return (last.Entry, last.Posted);
    }

    // The item without what was paid on the day itself.
    private static Item Before(Item item, DateOnly day) =>
        item with
        {
            Movements = [.. item.Movements.Where(m => m.ValueDate < day || !IsPayment(m))],
        };

    // The discount that terms give for what a payment settles: whole where it settles the item, else its share or none.
    private static Money Rule(Item before, Paid paid, DateOnly day, RoundingRule rounding)
    {
        var zero = Money.Zero(before.Currency);
        if (paid.Settled <= zero || before.DiscountOn(day, rounding) is not { } best)
            return zero;
        var open = before.OpenByValue(day);
        if (paid.Settled + paid.WrittenOff >= open)
            return Money.Min(best.Amount, paid.Settled);
        return before.PartPayments
            ? Money.Round(paid.Settled.Amount * best.Amount.Amount / open.Amount, before.Currency, rounding)
            : zero;
    }

    private static Money Decided(Paid paid, Money rule, Money would, Item other, RoundingRule rounding)
    {
        var (given, zero) = (paid.Discount, Money.Zero(paid.Discount.Currency));
        if (given == rule)
            return would;
        // The customer left a discount that was in force, or took a part of it.
        if (given < rule)
            return given <= zero
                ? given
                : Money.Round(would.Amount * given.Amount / rule.Amount, given.Currency, rounding);
        // More was allowed than the terms gave: as much would have been, where they offer a discount at all.
        var most = other.Discounts.Select(d => d.Amount).Append(zero).Max();
        return most.IsZero ? zero : Money.Max(would, Money.Min(would + given - rule, Money.Max(given, most)));
    }

    private static DateOnly Moved(Paid paid, Item own, Item other, (DateOnly? Own, DateOnly? New)? target)
    {
        if (target is not { } days || paid.Cash.Minor <= 0)
            return paid.Day;
        if (days.New is { } deadline && paid.Day > deadline)
            return deadline < own.Date ? paid.Day : deadline;
        // Who paid early for a discount pays when the new terms ask for it.
        return days.Own != days.New && paid.Discount.Minor > 0 ? days.New ?? other.Due : paid.Day;
    }

    private static string Why(Paid paid, DateOnly day) =>
        day == paid.Day
            ? ""
            : $"The payment of {Exactly.Day(paid.Day)} moves to {Exactly.Day(day)}, the day to which the terms draw it.";

    private static Money? OrNull(Money amount) => amount.IsZero ? null : amount;
}
