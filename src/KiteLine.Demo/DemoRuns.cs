using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>
/// Accounts that were handed over or whose reminders are paused, a run of late charges that was posted, and one of reminders
/// that is there to be read.
/// </summary>
internal static class DemoRuns
{
    private static readonly (string Code, CollectionKind Kind, string To, string Reason)[] Handed =
    [
        ("INC01", CollectionKind.Agency, "Keelson Recoveries", "No answer since the theatre closed"),
        ("TEA01", CollectionKind.Agency, "Keelson Recoveries", "Three reminders and no word"),
        ("MAL01", CollectionKind.Legal, "Brine & Halyard Solicitors", "Denies the whole debt"),
    ];

    private static readonly (string Code, int Days, string Reason)[] Paused =
    [
        ("PIK01", 14, "Their new owner goes through the books"),
        ("TUR01", 10, "The theatre waits for its grant, expected on the 24th"),
        ("VAN01", 21, "A goodwill note is being written"),
    ];

    // Those of the run that was posted.
    private static readonly string[] Charged = ["LAN01", "RED01", "SAL01", "KNO01"];

    internal static void Create(Books books, AccountLedgers ledgers, ReminderDesk reminders, VersionCache versions)
    {
        books.Write(
            "demo",
            tx =>
            {
                foreach (var (code, kind, to, reason) in Handed)
                    HoldStore.HandOver(tx, AccountStore.Get(tx.Connection, code), kind, to, reason);
                foreach (var (code, days, reason) in Paused)
                    HoldStore.Pause(
                        tx,
                        AccountStore.Get(tx.Connection, code),
                        DemoPolicies.BusinessDate.AddDays(days),
                        reason
                    );
                return true;
            }
        );
        var desk = new RunDesk(ledgers, new RunProposals(ledgers, versions));
        var who = Actor.Program("demo");
        var charges = desk.Propose(
            books,
            who,
            RunKind.LateCharges,
            DemoPolicies.BusinessDate.AddDays(-3),
            string.Join(", ", Charged),
            c => [.. BookLoader.Load(c).Where(a => Charged.Contains(a.Code))]
        );
        Decide(books, desk, charges);
        books.Write("demo", tx => RunDesk.Start(tx, charges, send: false));
        var posting = new RunPosting(books, ledgers, reminders, (_, _) => { }, (_, _) => { });
        while (posting.Next(charges)) { }
        desk.Propose(books, who, RunKind.Reminders, DemoPolicies.BusinessDate, "all accounts", c => BookLoader.Load(c));
    }

    private static void Decide(Books books, RunDesk desk, long run)
    {
        var lines = books.Read(c => RunStore.Page(c, run, [RunLineState.Ready], 0, Charged.Length));
        books.Write(
            "demo",
            tx =>
            {
                desk.Change(
                    tx,
                    run,
                    lines[0].Account,
                    new(RunChangeKind.LeaveOutItem, lines[0].Line.Items[0].Item, null, null, "Delivered late by us")
                );
                if (lines.Count > 1)
                    desk.Change(
                        tx,
                        run,
                        lines[^1].Account,
                        new(RunChangeKind.LeaveOut, null, null, null, "Waived this once, a new bookkeeper")
                    );
                return true;
            }
        );
    }
}
