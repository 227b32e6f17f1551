namespace KiteLine.Core;

/// <summary>One thing to do or to know about an account next.</summary>
/// <param name="On">The day it is about, or null.</param>
/// <param name="Alarm">Whether something has gone wrong already.</param>
public sealed record NextStep(string Text, DateOnly? On, bool Alarm)
{
    /// <summary>
    /// What is next on an account on a day: what it needs, then what can go out, ends or is to be expected.
    /// </summary>
    /// <param name="ledger">What it owes, by value.</param>
    /// <param name="position">Where it stands, as shown.</param>
    public static IReadOnlyList<NextStep> Of(
        AccountLedger ledger,
        AccountPosition position,
        ExposureSettings settings,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(ledger);
        ArgumentNullException.ThrowIfNull(position);
        ArgumentNullException.ThrowIfNull(rules);
        var (day, steps) = (position.Day, new List<NextStep>());
        Money Amount(long minor) => Money.FromMinor(minor, ledger.Currency);
        var collected = CollectionCase.On(ledger.Book, day);
        if (collected is not null)
            steps.Add(new($"With {collected.To} since", collected.From, false));
        steps.AddRange(AccountNeed.Of(position, settings).Select(n => new NextStep(n.Text, n.On, n.Alarm)));

        var reminder = ReminderProposal.For(ledger, day, rules);
        if (reminder.Level > 0)
            steps.Add(
                new(
                    $"Reminder level {reminder.Level} is ready, {reminder.Moving.Count} "
                        + $"{(reminder.Moving.Count == 1 ? "item moves" : "items move")}",
                    day,
                    false
                )
            );
        else if (reminder.NextOn is { } next)
            steps.Add(new("Next reminder can go out", next, false));
        var ending = ledger
            .Items.Select(i => (Item: i, Discount: i.DiscountOn(day, rules.Rounding)))
            .Where(x => x.Discount is not null)
            .OrderBy(x => x.Discount!.LastDay)
            .FirstOrDefault();
        if (ending.Discount is { } d)
            steps.Add(new($"Discount of {d.Amount} on {ending.Item.Document} ends after", d.LastDay, false));
        if (collected is null && ledger.Policy is { ShownOnly: false } policy)
            steps.AddRange(Charges(ledger, policy, day, rules).Select(text => new NextStep(text, day, false)));
        steps.AddRange(
            position
                .Promises.Open.Where(s => s.Promise.DueOn != day)
                .Select(s => new NextStep($"Promised {Amount(s.Promise.Minor)} by", s.Promise.DueOn, false))
        );
        if (position.Account.CallAgain is { } call && call.On > day)
            steps.Add(
                new(call.Note.Length == 0 ? "To be called again" : $"To be called again: {call.Note}", call.On, false)
            );
        if (position.Held > 0)
            steps.Add(new($"Orders of {Amount(position.Held)} are held", null, false));
        if (position.UpliftUntil is { } until)
            steps.Add(new($"Uplift of {Amount(position.Uplift)} ends after", until, false));
        if (Habit(ledger, position) is { } habit)
            steps.Add(new(habit, null, false));
        return steps;
    }

    // What has grown since the last run, and what that run proves to have charged wrongly.
    private static IEnumerable<string> Charges(
        AccountLedger ledger,
        LateChargePolicy policy,
        DateOnly day,
        BooksRules rules
    )
    {
        var charge = AccountCharges.On(ledger.Items, policy, day, day, rules);
        var correction = charge.Lines.Aggregate(Money.Zero(ledger.Currency), (sum, l) => sum + l.Correction);
        var accrued = charge.Net(ledger.Currency) - correction;
        if (!accrued.IsZero)
            yield return $"{policy.Label} of {accrued} accrued and not raised";
        if (correction.Minor < 0)
            yield return $"{policy.Label} of {-correction} was raised for days that prove to have been paid; the next run "
                + "takes it back";
        if (correction.Minor > 0)
            yield return $"{policy.Label} of {correction} is missing for days that prove to have been unpaid; the next run "
                + "adds it";
    }

    private static string? Habit(AccountLedger ledger, AccountPosition position)
    {
        if (DaysLate.Of(position.Account, position.Day) is not { } late)
            return null;
        var taken = PaymentHabit.Of(ledger.Items, position.Day).DiscountsTaken is { } share
            ? $", {Math.Round(share * 100)}% of discounts taken"
            : "";
        return late > 0
            ? $"Pays on average {late:0.#} days late{taken}"
            : $"Pays on average {-late:0.#} days early{taken}";
    }
}
