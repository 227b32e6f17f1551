using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>Promises and disputes of the demo's customers.</summary>
internal static class DemoClaims
{
    private static readonly DateOnly Today = DemoPolicies.BusinessDate;

    /// <summary>What one customer said about its debts.</summary>
    internal static void Of(Tx tx, DemoCustomer c, int i, ItemStore items)
    {
        var open = items
            .Items(tx.Connection, c.Account)
            .Where(x => x.Kind == ItemKind.Invoice && x.OpenByValue(Today).Minor > 0)
            .ToList();
        if (open.Count == 0)
            return;
        var contact = c.Account.Profile.Contacts[0].Name;
        if (c.Habit == DemoHabit.Disputing && open[0].Due < Today)
        {
            tx.ActingOn = Today.AddDays(-6 - (i % 5));
            DisputeStore.Raise(tx, c.Account, open[0].Id, null, c.Account.Owner, "Says the delivery came short");
            CallStore.Again(tx, c.Account, Today.AddDays(i % 2 == 0 ? 0 : 3), "the delivery note");
        }

        var overdue = open.Where(x => x.Due < Today)
            .Aggregate(Money.Zero(c.Account.Currency), (sum, x) => sum + x.OpenByValue(Today));
        if (overdue.Minor > 0 && c.Habit is DemoHabit.GoneQuiet or DemoHabit.SlowButSure)
        {
            var quiet = c.Habit == DemoHabit.GoneQuiet;
            tx.ActingOn = Today.AddDays(quiet ? -14 : -3);
            PromiseStore.Add(
                tx,
                c.Account,
                overdue,
                quiet ? Today.AddDays(-5) : Today.AddDays(i % 4),
                contact,
                quiet ? "Cheque by the end of the week" : "With the next payment run"
            );
        }

        tx.ActingOn = null;
    }
}
