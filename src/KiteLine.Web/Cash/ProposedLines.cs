using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>
/// The lines of statements with what is proposed for those that wait. A statement is worked out once for each state of
/// the books, so that one who turns its pages waits once.
/// </summary>
internal sealed class ProposedLines(Desk desk)
{
    /// <summary>A line, and the proposal where it waits.</summary>
    /// <param name="Settles">What of the company's own it seems to settle, where it is no customer's payment.</param>
    internal readonly record struct Line(StoredEntry Entry, EntryProposal? Proposal, InTransit? Settles);

    private sealed record Kept(long Statement, long Changes, DateOnly Today, IReadOnlyList<Line> Lines);

    private sealed record Certain(long Statement, DateOnly Today, long Asked, IReadOnlyList<long> Left);

    // What is certain is posted some at a time, and each posting changes the books; what was found is used up before it is
    // looked for again. Each is looked at once more when it is posted.
    private const int SecondsKept = 30;

    private Kept? _kept;
    private Certain? _certain;

    /// <summary>Entries that were certain when they were last looked for, a moment ago.</summary>
    internal IReadOnlyList<long> CertainOf(SqliteConnection connection, long statement)
    {
        var today = desk.Rules(connection).Today;
        var certain = Volatile.Read(ref _certain);
        if (
            certain is { Left.Count: > 0 }
            && certain.Statement == statement
            && certain.Today == today
            && Environment.TickCount64 - certain.Asked < SecondsKept * 1000
        )
            return certain.Left;
        return
        [
            .. Of(connection, StatementStore.Get(connection, statement))
                .Where(l => l.Proposal is { IsCertain: true })
                .Select(l => l.Entry.Id),
        ];
    }

    /// <summary>Keeps what is left after some of them were posted.</summary>
    internal void Left(long statement, DateOnly today, IReadOnlyList<long> left)
    {
        Volatile.Write(ref _certain, new(statement, today, Environment.TickCount64, left));
        // The books have changed, so that what was kept of them is of no use any more, and large.
        Volatile.Write(ref _kept, null);
    }

    internal IReadOnlyList<Line> Of(SqliteConnection connection, StoredStatement statement)
    {
        var rules = desk.Rules(connection);
        var changes = CompanyStore.Changes(connection);
        var kept = Volatile.Read(ref _kept);
        if (kept is not null && kept.Statement == statement.Id && kept.Changes == changes && kept.Today == rules.Today)
            return kept.Lines;
        var entries = BankEntryStore.Of(connection, statement.Id);
        var waiting = entries.Where(e => e.State == EntryState.Waiting).ToList();
        var proposals = desk
            .Bank.Propose(connection, statement.Currency, [.. waiting.Select(e => e.Entry)], rules)
            .Zip(waiting)
            .ToDictionary(x => x.Second.Id, x => x.First);
        var inTransit = Cleared.Candidates(connection, waiting);
        IReadOnlyList<Line> lines =
        [
            .. entries.Select(e =>
            {
                var proposal = proposals.GetValueOrDefault(e.Id);
                var settles = proposal is { Payer: null } ? inTransit(e.Entry) : [];
                return new Line(e, proposal, settles.Count > 0 ? settles[0] : null);
            }),
        ];
        Volatile.Write(ref _kept, new(statement.Id, changes, rules.Today, lines));
        return lines;
    }
}
