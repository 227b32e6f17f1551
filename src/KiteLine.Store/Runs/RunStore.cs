using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads runs, and writes their steps and lines.</summary>
public static class RunStore
{
    private const string Selected = """
        SELECT r.id, r.kind, r.date, r.scope, r.made_by, r.made_at, r.state, s.detail, s.made_by last_by, s.made_at last_at,
            s.send
        FROM run r JOIN run_step s ON s.id = (SELECT max(l.id) FROM run_step l WHERE l.run_id = r.id)
        """;

    private sealed record LineRow
    {
        public long AccountId { get; init; }
        public string Code { get; init; } = "";
        public string Name { get; init; } = "";
        public string Currency { get; init; } = "";
        public RunLineState State { get; init; }
        public long Amount { get; init; }
        public long Tax { get; init; }
        public long Fee { get; init; }
        public long Interest { get; init; }
        public int Level { get; init; }
        public DateOnly? PayBy { get; init; }
        public bool CanTakeIn { get; init; }
        public string Reason { get; init; } = "";
        public byte[] Items { get; init; } = [];
        public long? EntryId { get; init; }
        public long? ReminderId { get; init; }
        public string? Document { get; init; }
    }

    private const string Lines = """
        SELECT l.account_id, a.code, a.name, a.currency, l.state, l.amount, l.tax, l.fee, l.interest, l.level, l.pay_by,
            l.can_take_in, l.reason, l.items, p.entry_id, p.reminder_id,
            coalesce((SELECT d.number FROM document d WHERE d.account_id = p.account_id AND d.entry_id = p.entry_id),
                (SELECT m.number FROM reminder m WHERE m.id = p.reminder_id)) document
        FROM run_account l JOIN account a ON a.id = l.account_id
            LEFT JOIN run_posting p ON p.run_id = l.run_id AND p.account_id = l.account_id
        """;

    /// <summary>Runs, the latest first.</summary>
    public static IReadOnlyList<StoredRun> Page(SqliteConnection connection, int skip, int take) =>
        connection
            .Query<StoredRun>($"{Selected} ORDER BY r.id DESC LIMIT @take OFFSET @skip", new { skip, take })
            .AsList();

    /// <summary>How many there are.</summary>
    public static long Count(SqliteConnection connection) => connection.ExecuteScalar<long>("SELECT count(*) FROM run");

    /// <summary>One run.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static StoredRun Get(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<StoredRun>($"{Selected} WHERE r.id = @id", new { id })
        ?? throw new NotThereException("run", $"{id}");

    /// <summary>A condition that finds runs which wait for a person, by the index of these.</summary>
    private static readonly string WaitsForSomebody = $"state IN ({(int)RunState.Proposed}, {(int)RunState.Stopped})";

    /// <summary>A condition that finds runs at which the program works, by the index of these.</summary>
    internal static readonly string IsAtWork =
        $"state IN ({(int)RunState.Proposing}, {(int)RunState.Posting}, {(int)RunState.Reversing})";

    /// <summary>How many runs wait for a person.</summary>
    internal static long CountWaiting(SqliteConnection connection) =>
        connection.ExecuteScalar<long>($"SELECT count(*) FROM run WHERE {WaitsForSomebody}");

    /// <summary>How many accounts of a run are ready to be posted.</summary>
    public static long Ready(SqliteConnection connection, long id) =>
        connection.ExecuteScalar<long>(
            "SELECT count(*) FROM run_account WHERE run_id = @id AND state = @Ready",
            new { id, RunLineState.Ready }
        );

    /// <summary>Runs that wait for a person: proposed, or stopped.</summary>
    public static IReadOnlyList<StoredRun> Waiting(SqliteConnection connection) =>
        connection.Query<StoredRun>($"{Selected} WHERE r.{WaitsForSomebody} ORDER BY r.id DESC LIMIT 20").AsList();

    /// <summary>The day of the last run that somebody made and that was not discarded; null where there is none.</summary>
    internal static DateOnly? LastMade(SqliteConnection connection, RunKind kind, string by) =>
        connection.ExecuteScalar<DateOnly?>(
            "SELECT max(date) FROM run WHERE kind = @kind AND made_by = @by AND state <> @Discarded",
            new
            {
                kind,
                by,
                RunState.Discarded,
            }
        );

    /// <summary>How its accounts stand, and what they come to.</summary>
    public static IReadOnlyList<RunCount> Counts(SqliteConnection connection, long id) =>
        connection
            .Query<(long State, string Currency, long Accounts, long Amount)>(
                """
                SELECT state, currency, count(*), sum(amount) FROM run_account WHERE run_id = @id
                GROUP BY state, currency ORDER BY state, currency
                """,
                new { id }
            )
            .Select(c => new RunCount((RunLineState)c.State, c.Currency, c.Accounts, c.Amount))
            .ToList();

    /// <summary>How many of its accounts are in each state.</summary>
    public static IReadOnlyDictionary<RunLineState, long> Progress(SqliteConnection connection, long id) =>
        connection
            .Query<(long State, long Accounts)>(
                "SELECT state, count(*) FROM run_account WHERE run_id = @id GROUP BY state",
                new { id }
            )
            .ToDictionary(c => (RunLineState)c.State, c => c.Accounts);

    /// <summary>Accounts of a run, those with the largest amounts first.</summary>
    /// <param name="states">Those in one of these.</param>
    public static IReadOnlyList<StoredRunLine> Page(
        SqliteConnection connection,
        long id,
        IReadOnlyCollection<RunLineState> states,
        int skip,
        int take
    )
    {
        ArgumentNullException.ThrowIfNull(states);
        // Of each state as many as are passed over and taken: the index has them in their order.
        var some = string.Join(
            " UNION ALL ",
            states.Select(s =>
                "SELECT * FROM (SELECT account_id, weight FROM run_account WHERE run_id = @id AND state = "
                + $"{(int)s} ORDER BY weight DESC LIMIT @most)"
            )
        );
        return Read(
            connection,
            $"""
            {Lines} WHERE l.run_id = @id AND l.account_id IN
                (SELECT account_id FROM ({some}) ORDER BY weight DESC, account_id LIMIT @take OFFSET @skip)
            ORDER BY l.weight DESC, l.account_id
            """,
            new
            {
                id,
                most = skip + take,
                skip,
                take,
            }
        );
    }

    /// <summary>
    /// Those accounts of a run on which lines lie that are passed over and taken, the largest amounts first, with how many
    /// lines of the first one are passed over; and how many lines there are.
    /// </summary>
    public static (long Total, int Skip, IReadOnlyList<StoredRunLine> Accounts) LinesPage(
        SqliteConnection connection,
        long id,
        long skip,
        int take
    )
    {
        using var query = new Prepared(
            connection,
            "SELECT account_id, lines FROM run_account WHERE run_id = ?1 AND state <> ?2 ORDER BY weight DESC, account_id"
        );
        query.Bind(1, id);
        query.Bind(2, (long)RunLineState.LeftOut);
        var (total, over, some) = (0L, 0, new List<long>());
        while (query.Next())
        {
            var (from, to) = (total, total + query.Long(1));
            if (to > skip && from < skip + take)
            {
                if (some.Count == 0)
                    over = (int)(skip - from);
                some.Add(query.Long(0));
            }

            total = to;
        }

        return (
            total,
            Math.Max(0, over),
            Read(
                connection,
                $"{Lines} WHERE l.run_id = @id AND l.account_id IN (SELECT value FROM json_each(@of)) "
                    + "ORDER BY l.weight DESC, l.account_id",
                new { id, of = Json.Write(some) }
            )
        );
    }

    /// <summary>One account of a run.</summary>
    /// <exception cref="NotThereException">The run has no such account.</exception>
    public static StoredRunLine Line(SqliteConnection connection, long id, long accountId) =>
        Read(connection, $"{Lines} WHERE l.run_id = @id AND l.account_id = @accountId", new { id, accountId })
            .FirstOrDefault()
        ?? throw new NotThereException("account of the run", $"{accountId}");

    /// <summary>The next accounts in a state, in no order of meaning.</summary>
    internal static IReadOnlyList<StoredRunLine> Next(
        SqliteConnection connection,
        long id,
        RunLineState state,
        int most
    ) =>
        Read(
            connection,
            $"""
            {Lines} WHERE l.run_id = @id AND l.account_id IN
                (SELECT account_id FROM run_account WHERE run_id = @id AND state = @state ORDER BY weight DESC LIMIT @most)
            ORDER BY l.weight DESC, l.account_id
            """,
            new
            {
                id,
                state,
                most,
            }
        );

    /// <summary>The next accounts that are ready, after one of them, by their identifiers.</summary>
    internal static IReadOnlyList<StoredRunLine> NextReady(
        SqliteConnection connection,
        long id,
        long after,
        int most
    ) =>
        Read(
            connection,
            // The plus keeps the database from the index by state, which has them in another order.
            $"""
            {Lines} WHERE l.run_id = @id AND l.account_id > @after AND +l.state = @Ready
            ORDER BY l.account_id LIMIT @most
            """,
            new
            {
                id,
                after,
                RunLineState.Ready,
                most,
            }
        );

    private static List<StoredRunLine> Read(SqliteConnection connection, string sql, object values) =>
        connection
            .Query<LineRow>(sql, values)
            .Select(r =>
            {
                var currency = Currency.Of(r.Currency);
                var (items, leftOut) = RunLineText.Read(r.Items, currency);
                return new StoredRunLine(
                    r.AccountId,
                    r.Code,
                    r.Name,
                    r.State,
                    new()
                    {
                        Amount = Money.FromMinor(r.Amount, currency),
                        Tax = Money.FromMinor(r.Tax, currency),
                        Fee = Money.FromMinor(r.Fee, currency),
                        Interest = Money.FromMinor(r.Interest, currency),
                        Level = r.Level,
                        PayBy = r.PayBy,
                        Items = items,
                        ItemsLeftOut = leftOut,
                        LeftOut = r.State == RunLineState.LeftOut ? r.Reason : null,
                        CanTakeIn = r.CanTakeIn,
                    },
                    r.Reason,
                    r.Document,
                    r.EntryId,
                    r.ReminderId
                );
            })
            .ToList();

    /// <summary>What was decided about an account of a run, the first first.</summary>
    public static IReadOnlyList<RunChange> Changes(SqliteConnection connection, long id, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        if (!HasChanges(connection, id))
            return [];
        return connection
            .Query<(long Kind, long? Item, long? Amount, long? Level, string Reason)>(
                "SELECT kind, item_id, amount, level, reason FROM run_change WHERE run_id = @id AND account_id = @Id "
                    + "ORDER BY run_change.id",
                new { id, account.Id }
            )
            .Select(c => new RunChange(
                (RunChangeKind)c.Kind,
                c.Item,
                c.Amount is { } minor ? Money.FromMinor(minor, account.Currency) : null,
                (int?)c.Level,
                c.Reason
            ))
            .ToList();
    }

    // Most runs are posted as they were proposed.
    private static bool HasChanges(SqliteConnection connection, long id)
    {
        using var query = Prepared.Kept(connection, "SELECT 1 FROM run_change WHERE run_id = ?1 LIMIT 1");
        query.Bind(1, id);
        return query.Next();
    }

    /// <summary>Document numbers of items.</summary>
    public static IReadOnlyDictionary<long, (string Document, DateOnly Due)> Items(
        SqliteConnection connection,
        IReadOnlyCollection<long> ids
    ) =>
        connection
            .Query<(long Id, string Document, string Due)>(
                $"""
                SELECT i.id, CASE WHEN i.instalments > 1 THEN d.number || '/' || i.instalment ELSE d.number END,
                    {DueChanges.Now}
                FROM json_each(@ids) x CROSS JOIN item i ON i.id = x.value JOIN document d ON d.id = i.document_id
                """,
                new { ids = Json.Write(ids) }
            )
            .ToDictionary(i => i.Id, i => (i.Document, Columns.Date(i.Due)));

    internal static void Step(Tx tx, long id, RunState state, string detail = "", bool send = false)
    {
        tx.TouchedRuns = true;
        tx.Connection.Execute(
            """
            INSERT INTO run_step (run_id, state, send, detail, identity, made_by, made_at)
            VALUES (@id, @state, @send, @detail, @Identity, @Who, @Now)
            """,
            new
            {
                id,
                state,
                send,
                detail = detail.Length <= 1000 ? detail : detail[..999] + "…",
                tx.Actor.Identity,
                tx.Who,
                tx.Now,
            }
        );
    }

    private const string Added =
        "INSERT INTO run_account VALUES (?1, ?2, ?3, ?15, ?4, ?5, ?6, ?7, ?8, ?9, ?10, ?11, ?12, ?14, ?13)";

    /// <summary>Keeps what an account comes to that the run did not have yet.</summary>
    internal static void Add(Tx tx, long id, KeptRunLine line) => Keep(tx, Added, id, line);

    /// <summary>Keeps what an account comes to, in place of what it came to before.</summary>
    internal static void Keep(Tx tx, long id, KeptRunLine line) =>
        Keep(
            tx,
            Added
                + """
                 ON CONFLICT (run_id, account_id) DO UPDATE SET state = ?3, weight = ?4, amount = ?5, tax = ?6, fee = ?7,
                    interest = ?8, level = ?9, pay_by = ?10, can_take_in = ?11, reason = ?12, items = ?13, lines = ?14
                """,
            id,
            line
        );

    private static void Keep(Tx tx, string sql, long id, KeptRunLine kept)
    {
        using var row = Prepared.Kept(tx.Connection, sql);
        var line = kept.Line;
        row.Bind(1, id);
        row.Bind(2, kept.Account);
        row.Bind(3, (long)kept.State);
        row.Bind(4, kept.Weight);
        row.Bind(5, line.Amount.Minor);
        row.Bind(6, line.Tax.Minor);
        row.Bind(7, line.Fee.Minor);
        row.Bind(8, line.Interest.Minor);
        row.Bind(9, line.Level);
        row.Bind(10, line.PayBy is { } payBy ? Columns.Text(payBy) : null);
        row.Bind(11, line.CanTakeIn ? 1 : 0);
        row.Bind(12, kept.Reason.Length <= 1000 ? kept.Reason : kept.Reason[..999] + "…");
        row.BindBytes(13, kept.Text.Span);
        row.Bind(14, kept.Items);
        row.Bind(15, line.Amount.Currency.Code);
        row.Run();
    }

    /// <summary>Only the state of a line changes, and why.</summary>
    internal static void Mark(Tx tx, long id, long accountId, RunLineState state, string reason = "")
    {
        using var row = Prepared.Kept(
            tx.Connection,
            "UPDATE run_account SET state = ?3, reason = ?4 WHERE run_id = ?1 AND account_id = ?2"
        );
        row.Bind(1, id);
        row.Bind(2, accountId);
        row.Bind(3, (long)state);
        row.Bind(4, reason.Length <= 1000 ? reason : reason[..999] + "…");
        row.Run();
    }
}
