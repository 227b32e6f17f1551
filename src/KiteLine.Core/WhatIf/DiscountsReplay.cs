namespace KiteLine.Core;

/// <summary>
/// The discounts of an item under other terms. The cash stays as it came, and settles as <see cref="ItemSettlement"/> says. Who
/// had no discount to take and pays in full while there is one takes it; what was decided by hand stays decided. A payment
/// that moves to another day settles as much as it did.
/// </summary>
internal static class DiscountsReplay
{
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
        foreach (var paid in PaidPart.Of(own))
        {
            var rule = Rule(Before(own, paid.Day), paid, paid.Day, rounding);
            var day = Moved(paid, own, other, target);
            var with = other with { Movements = replayed };
            var under =
                day == paid.Day
                    ? Rule(Before(with, day), paid, day, rounding)
                    : Drawn(Before(with, day), paid, day, rounding);
            var would = Decided(paid, rule, under, other, rounding);
            // Cash that a discount frees was paid all the same and is on account; who pays on another day pays what is due.
            var cash =
                day == paid.Day
                    ? Money.Min(paid.Cash, Money.Max(Money.Zero(own.Currency), Open(with, day) - would))
                    : paid.Cash + paid.Discount - would;
            if (paid.Cash.Minor <= 0)
                cash = paid.Cash;
            var writeOff = Money.Min(
                paid.WriteOff,
                Money.Max(Money.Zero(own.Currency), Open(with, day) - cash - would)
            );
            var same = day == paid.Day && would == paid.Discount && cash == paid.Cash && writeOff == paid.WriteOff;
            // What stays as it was stays by the postings that made it.
            if (same)
                replayed.AddRange(own.Movements.Where(m => PaidPart.IsPayment(m) && m.ValueDate == day));
            var (entry, posted) = day == paid.Day ? Posting(own, paid.Day) : (ItemsAt.Moved, day);
            void Move(MovementKind kind, Money amount)
            {
                if (!amount.IsZero && !same)
                    replayed.Add(new(kind, day, -amount, posted, entry));
            }
            Move(MovementKind.Cash, cash);
            Move(MovementKind.Discount, would);
            Move(MovementKind.WriteOff, writeOff);
            interest += cash.Amount * (paid.Day.DayNumber - day.DayNumber) * change.CostOfCapital / 365;
            if (paid.Discount.IsZero && would.IsZero)
                continue;
            lines.Add(
                new(ReplayKind.Discount, paid.Day, own.Document, OrNull(paid.Discount), OrNull(would), Why(paid, day))
                {
                    ByHand = paid.Discount != rule.Discount,
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
    private static IEnumerable<Movement> Others(Item item) => item.Movements.Where(m => !PaidPart.IsPayment(m));

    private static (long Entry, DateOnly Posted) Posting(Item item, DateOnly day)
    {
        var last = item.Movements.Last(m => PaidPart.IsPayment(m) && m.ValueDate == day);
        return (last.Entry, last.Posted);
    }

    // The item without what was paid on the day itself.
    private static Item Before(Item item, DateOnly day) =>
        item with
        {
            Movements = [.. item.Movements.Where(m => m.ValueDate < day || !PaidPart.IsPayment(m))],
        };

    private static Money Open(Item item, DateOnly day) => item.OpenByValue(day);

    // What settlement gives for the cash, with what was written off allowed as a difference.
    private static (Money Discount, ItemNeed Need) Rule(Item before, PaidPart paid, DateOnly day, RoundingRule rounding)
    {
        var (zero, need) = (Money.Zero(before.Currency), before.NeedOn(day, rounding));
        if (paid.Cash <= zero || need.Open <= zero)
            return (zero, need);
        var allowed = paid.WriteOff <= zero ? ShortPayAllowance.None : new(paid.WriteOff.Amount, 100);
        return (ItemSettlement.Of(paid.Cash, need, allowed, rounding).Discount, need);
    }

    // Who is drawn to a day by its discount pays what is due less it: what the payment settled, whole or its share.
    private static (Money Discount, ItemNeed Need) Drawn(
        Item before,
        PaidPart paid,
        DateOnly day,
        RoundingRule rounding
    )
    {
        var (zero, need) = (Money.Zero(before.Currency), before.NeedOn(day, rounding));
        var settled = paid.Cash + paid.Discount;
        if (settled <= zero || need.Discount.IsZero)
            return (zero, need);
        if (settled + paid.WriteOff >= need.Owed)
            return (Money.Min(need.Discount, settled), need);
        return (
            need.PartPayments
                ? Money.Round(settled.Amount * need.Discount.Amount / need.Owed.Amount, before.Currency, rounding)
                : zero,
            need
        );
    }

    private static Money Decided(
        PaidPart paid,
        (Money Discount, ItemNeed Need) own,
        (Money Discount, ItemNeed Need) under,
        Item other,
        RoundingRule rounding
    )
    {
        var (given, zero) = (paid.Discount, Money.Zero(paid.Discount.Currency));
        var (rule, would) = (own.Discount, under.Discount);
        if (given == rule)
            return own.Need.Discount.IsZero && would.IsZero && paid.Cash >= under.Need.Owed
                ? under.Need.Discount
                : would;
        // The customer left a discount that was in force, or took a part of it.
        if (given < rule)
            return given <= zero
                ? given
                : Money.Round(would.Amount * given.Amount / rule.Amount, given.Currency, rounding);
        // More was allowed than the terms gave: as much would have been, where they offer a discount at all.
        var most = other.Discounts.Select(d => d.Amount).Append(zero).Max();
        return most.IsZero ? zero : Money.Max(would, Money.Min(would + given - rule, Money.Max(given, most)));
    }

    private static DateOnly Moved(PaidPart paid, Item own, Item other, (DateOnly? Own, DateOnly? New)? target)
    {
        if (target is not { } days || paid.Cash.Minor <= 0)
            return paid.Day;
        if (days.New is { } deadline && paid.Day > deadline)
            return deadline < own.Date ? paid.Day : deadline;
        // Who paid early for a discount pays when the new terms ask for it.
        return days.Own != days.New && paid.Discount.Minor > 0 ? days.New ?? other.Due : paid.Day;
    }

    private static string Why(PaidPart paid, DateOnly day) =>
        day == paid.Day
            ? ""
            : $"The payment of {Exactly.Day(paid.Day)} moves to {Exactly.Day(day)}, the day to which the terms draw it.";

    private static Money? OrNull(Money amount) => amount.IsZero ? null : amount;
}
