namespace KiteLine.Core;

/// <summary>What a run of either kind comes to for one account.</summary>
public static class AccountRun
{
    /// <summary>
    /// The line of an account on the run's day, with what a controller decided; null where the run has nothing to do
    /// with it.
    /// </summary>
    /// <exception cref="RefusedException">The day is to come.</exception>
    public static RunLine? Of(RunKind kind, AccountLedger ledger, DateOnly date, RunChanges changes, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(changes);
        var line = kind switch
        {
            RunKind.LateCharges => ChargeRun.Of(ledger, date, changes.Charges, rules),
            RunKind.Reminders => ReminderRun.Of(ledger, date, changes.Reminder, rules),
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };
        return line is not null && changes.LeftOut is { } why ? line with { LeftOut = why, CanTakeIn = false } : line;
    }
}
