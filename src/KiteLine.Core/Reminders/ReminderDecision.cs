namespace KiteLine.Core;

/// <summary>
/// What issuing the next reminder of an account comes to: the letter, its postings and its consequences.
/// </summary>
/// <param name="Fee">The posting of its fee, or null where none is posted.</param>
/// <param name="Charge">The late charge that is posted with it, or null.</param>
/// <param name="SetsState">The state it sets, or null where it sets none that does not hold already.</param>
/// <param name="Notes">What is noted in the contact log.</param>
public sealed record ReminderDecision(
    ReminderProposal Proposal,
    ReminderLevel Level,
    Posting? Fee,
    ChargeDecision? Charge,
    AccountState? SetsState,
    IReadOnlyList<string> Notes
)
{
    /// <summary>The journal lines of all that is posted.</summary>
    public IReadOnlyList<JournalLine> Journal => [.. Fee?.Lines ?? [], .. Charge?.Posting.Lines ?? []];

    /// <summary>Decides on the next reminder, dated on a day up to the business date.</summary>
    /// <exception cref="RefusedException">There is none to issue, or its date is to come or lies in a closed period;
    /// says why.</exception>
    /// <param name="change">What the controller decided otherwise than the plan; null for nothing.</param>
    public static ReminderDecision Of(
        AccountLedger ledger,
        DateOnly date,
        BooksRules rules,
        ReminderChange? change = null
    )
    {
        ArgumentNullException.ThrowIfNull(ledger);
        ArgumentNullException.ThrowIfNull(rules);
        if (date > rules.Today)
            throw new RefusedException(
                "date",
                $"A reminder is dated on the business date, {Exactly.Day(rules.Today)}, or before."
            );
        var proposal = ReminderProposal.For(ledger, date, rules, change);
        if (proposal.LeftOut is { } why)
            throw new RefusedException("account", why);
        var level = ledger.Plan!.Levels[proposal.Level - 1];
        var posts = level.FeeTreatment == Treatment.Post && !proposal.OwnFee.IsZero;
        if (posts)
            rules.RefuseClosed(date, "date");
        return new(
            proposal,
            level,
            posts ? ReminderFeePosting.Of(proposal.OwnFee, proposal.Level, date, proposal.PayBy!.Value, rules) : null,
            ChargeOf(ledger, level, proposal, date, rules),
            level.SetsState is { } state && state != StateChange.On(ledger.Book.States, date) ? state : null,
            [.. NotesOf(level)]
        );
    }

    /// <summary>Refuses to cancel a reminder that was cancelled, or beneath a later one.</summary>
    /// <exception cref="RefusedException">Says why.</exception>
    public static void RefuseUnlessCancellable(
        string number,
        bool cancelled,
        string? later,
        string? paidBy,
        string reason
    )
    {
        Reason.Needed(reason);
        if (cancelled)
            throw new RefusedException("number", $"Reminder {number} was cancelled already.");
        if (later is not null)
            throw new RefusedException("number", $"Reminder {later} was issued later; cancel that first.");
        if (paidBy is not null)
            throw new RefusedException(
                "number",
                $"Receipt {paidBy} paid reminder {number} in full, with the fee or interest that it showed; "
                    + "reverse that receipt first."
            );
    }

    // Only the items of the letter are charged; the others accrue on.
    private static ChargeDecision? ChargeOf(
        AccountLedger ledger,
        ReminderLevel level,
        ReminderProposal proposal,
        DateOnly date,
        BooksRules rules
    )
    {
        if (
            level.LateCharge != Treatment.Post
            || proposal.Items.All(i => i.LateCharge.IsZero)
            || ledger.Policy is not { ShownOnly: false } policy
        )
            return null;
        var covered = proposal.Items.Select(i => i.Item.Id).ToHashSet();
        return ChargeDecision.Of(
            ledger.Items,
            policy,
            ledger.ChargeTax,
            date,
            ChargeChanges.Without([.. ledger.Items.Select(i => i.Id).Where(id => !covered.Contains(id))]),
            rules
        );
    }

    private static IEnumerable<string> NotesOf(ReminderLevel level)
    {
        if (level.AskColleague.Length > 0)
            yield return $"ask {level.AskColleague} before anything further is done.";
        if (level.HandToCollection)
            yield return "hand the account to collection if it is not paid in time.";
    }
}
