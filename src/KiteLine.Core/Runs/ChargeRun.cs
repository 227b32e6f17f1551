namespace KiteLine.Core;

/// <summary>What a run of late charges comes to for one account.</summary>
public static class ChargeRun
{
    /// <summary>
    /// The line of an account through a day; null where nothing is overdue and nothing is to be corrected.
    /// </summary>
    /// <param name="changes">What the controller decided otherwise.</param>
    /// <exception cref="RefusedException">The day is to come.</exception>
    public static RunLine? Of(AccountLedger ledger, DateOnly through, ChargeChanges changes, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(ledger);
        ArgumentNullException.ThrowIfNull(changes);
        ArgumentNullException.ThrowIfNull(rules);
        RunRule.RefuseDate(through, rules.Today, "date");
        var empty = RunLine.Empty(ledger.Currency);
        if (ledger.Policy is not { } policy)
            return Overdue.Any(ledger.Items.Where(i => i.Kind == ItemKind.Invoice), through)
                ? empty with
                {
                    LeftOut = "The account has no late-charge policy.",
                }
                : null;
        var accrued = AccountCharges.On(ledger.Items, policy, through, rules.Today, rules).Asked(policy, through);
        if (accrued.LeftOut is { } why)
            return Overdue.Any(ledger.Items.Where(i => i.Kind == ItemKind.Invoice), through)
                ? empty with
                {
                    LeftOut = why,
                }
                : null;
        var lines = ReferenceEquals(changes, ChargeChanges.None) ? accrued.Lines : changes.Of(accrued.Lines);
        var held = Held(ledger, policy, through, changes, accrued.Lines).ToArray();
        if (lines.All(l => l.Total.IsZero))
            return held.Length == 0
                ? null
                : empty with
                {
                    ItemsLeftOut = held,
                    LeftOut = "All that could be charged is left out.",
                };
        var net = accrued with { Lines = lines };
        var tax = LateChargeTax.Of(ledger.ChargeTax, net.Net(ledger.Currency), rules.Today, rules.Rounding);
        var gross = LateChargeTax.Gross(ledger.ChargeTax, lines, rules.Today, rules.Rounding);
        var line = empty with
        {
            Amount = net.Net(ledger.Currency) + tax,
            Tax = tax,
            Items =
            [
                .. lines.Select((l, i) => new RunItem(l.Item.Id, gross[i], Money.Zero(ledger.Currency), 0, false, "")),
            ],
            ItemsLeftOut = held,
        };
        return policy.ShownOnly ? line with { LeftOut = "The policy's charges are shown only and never posted." }
            : CollectionCase.On(ledger.Book, through) is { } theirs ? line with { LeftOut = theirs.Why }
            : line;
    }

    // What the controller left out, and what waits because it is disputed.
    private static IEnumerable<RunItem> Held(
        AccountLedger ledger,
        LateChargePolicy policy,
        DateOnly through,
        ChargeChanges changes,
        IReadOnlyList<ItemCharge> accrued
    )
    {
        foreach (var line in accrued)
            if (changes.LeaveOut.Contains(line.Item.Id))
                yield return RunItem.Out(line.Item.Id, line.Total, "left out");
        if (policy.WhileDisputed == WhileDisputed.Charged)
            yield break;
        foreach (var item in ledger.Items)
        {
            if (item.Disputes.Count == 0 || item.Due >= through || !policy.Bears(item))
                continue;
            var disputed = item.DisputedOn(through, item.OpenByValue(through));
            if (!disputed.IsZero)
                yield return RunItem.Out(item.Id, disputed, "disputed");
        }
    }
}
