namespace KiteLine.Core;

/// <summary>What a run of reminders comes to for one account.</summary>
public static class ReminderRun
{
    /// <summary>The line of an account on a day; null where nothing is overdue.</summary>
    /// <param name="change">What the controller decided otherwise.</param>
    /// <exception cref="RefusedException">The day is to come.</exception>
    public static RunLine? Of(AccountLedger ledger, DateOnly date, ReminderChange change, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(ledger);
        ArgumentNullException.ThrowIfNull(rules);
        RunRule.RefuseDate(date, rules.Today, "date");
        var proposal = ReminderProposal.For(ledger, date, rules, change);
        return proposal.Hold switch
        {
            ReminderHold.NothingOverdue => null,
            ReminderHold.NoPlan
            or ReminderHold.NoRate
            or ReminderHold.HandedOver when !Overdue.Any(ledger.Items, date) => null,
            _ => Of(proposal, ledger.Currency),
        };
    }

    /// <summary>The line that a proposal makes.</summary>
    public static RunLine Of(ReminderProposal proposal, Currency currency)
    {
        ArgumentNullException.ThrowIfNull(proposal);
        return RunLine.Empty(currency) with
        {
            // What is left out is told with what is overdue of it.
            Amount = proposal.LeftOut is null ? proposal.Total : proposal.Overdue ?? proposal.Total,
            Fee = proposal.Fee,
            Interest = proposal.LateCharge,
            Level = proposal.Level,
            PayBy = proposal.PayBy,
            Items = [.. proposal.Items.Select(i => new RunItem(i.Item.Id, i.Open, i.LateCharge, i.Level, i.Moves, ""))],
            ItemsLeftOut = [.. proposal.ItemsLeftOut.Select(i => RunItem.Out(i.Item.Id, i.Amount, i.Reason))],
            LeftOut = proposal.LeftOut,
            CanTakeIn = proposal.Hold is { } hold && ReminderChange.CanTakeIn(hold),
        };
    }
}
