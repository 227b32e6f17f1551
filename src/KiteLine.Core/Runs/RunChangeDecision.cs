namespace KiteLine.Core;

/// <summary>Whether a decision of a controller about an account of a run is possible.</summary>
public static class RunChangeDecision
{
    /// <summary>The longest reason that is kept.</summary>
    public const int LongestReason = 1000;

    /// <param name="state">How the account stands in the run.</param>
    /// <param name="line">What it came to when it was worked out last.</param>
    /// <param name="before">What was decided before.</param>
    /// <exception cref="RefusedException">It is not possible, or gives up more than the authority allows; names the
    /// field.</exception>
    public static void RefuseUnlessPossible(
        RunKind kind,
        DateOnly date,
        RunLineState state,
        RunLine line,
        AccountLedger ledger,
        RunChanges before,
        RunChange change,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(line);
        ArgumentNullException.ThrowIfNull(ledger);
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(change);
        ArgumentNullException.ThrowIfNull(authority);
        if (state is RunLineState.Posted or RunLineState.Reversed)
            throw new RefusedException("account", "This account was posted already; reverse that instead.");
        if (change.Kind is not (RunChangeKind.Confirm or RunChangeKind.PutBack or RunChangeKind.PutBackItem))
            Reason.Needed(change.Reason);
        if (change.Reason.Length > LongestReason)
            throw new RefusedException("reason", $"Give a reason of at most {LongestReason} characters.");
        switch (change.Kind)
        {
            case RunChangeKind.LeaveOut when line.LeftOut is not null:
                throw new RefusedException("account", "This account is left out already.");
            case RunChangeKind.PutBack when before.LeftOut is null:
                throw new RefusedException("account", "Nobody left this account out.");
            case RunChangeKind.TakeIn when kind != RunKind.Reminders || !line.CanTakeIn:
                throw new RefusedException(
                    "account",
                    "This account cannot be taken in: " + (line.LeftOut ?? "it is in.")
                );
            case RunChangeKind.LeaveOutItem or RunChangeKind.CutItem when line.Items.All(i => i.Item != change.Item):
                throw new RefusedException("item", "Name an item that the run charges or asks for on this account.");
            case RunChangeKind.PutBackItem
                when change.Item is not { } item
                    || !(before.Charges.LeaveOut.Contains(item) || before.Charges.CutTo.ContainsKey(item)):
                throw new RefusedException("item", "Name an item that was left out or cut.");
            case RunChangeKind.CutItem:
                RefuseCut(kind, date, ledger, change, authority, rules);
                break;
            case RunChangeKind.SetLevel:
                RefuseLevel(kind, ledger, line, change.Level);
                break;
            default:
                break;
        }
    }

    // What is cut off is given up, as by a write-off.
    private static void RefuseCut(
        RunKind kind,
        DateOnly date,
        AccountLedger ledger,
        RunChange change,
        Authority authority,
        BooksRules rules
    )
    {
        if (kind != RunKind.LateCharges || ledger.Policy is not { } policy)
            throw new RefusedException("item", "Only late charges are cut; leave the item out of the letter instead.");
        var charge = AccountCharges
            .On(ledger.Items, policy, date, rules.Today, rules)
            .Lines.FirstOrDefault(l => l.Item.Id == change.Item);
        var full = charge is null ? Money.Zero(ledger.Currency) : charge.Interest + charge.Compensation;
        if (change.Amount is not { Minor: >= 0 } most || most >= full)
            throw new RefusedException("amount", $"Cut the charge to less than {full}, without tax; 0 waives it.");
        if (!authority.Covers(authority.WriteOff, full - most, rules, "amount"))
            throw new RefusedException(
                "amount",
                $"Cutting off {full - most} is above your authority to write off; leave the item out, or ask a colleague."
            );
    }

    private static void RefuseLevel(RunKind kind, AccountLedger ledger, RunLine line, int? level)
    {
        if (kind != RunKind.Reminders || ledger.Plan is not { } plan)
            throw new RefusedException("level", "Only letters of a plan have levels.");
        if (level is not { } chosen || chosen < 1 || chosen > plan.Levels.Count)
            throw new RefusedException("level", $"Give a level of the plan, from 1 to {plan.Levels.Count}.");
        if (line.LeftOut is not null)
            throw new RefusedException("level", "Take the account in first.");
    }
}
