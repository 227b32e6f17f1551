using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads the messages of the outbox, and writes their steps.</summary>
public static class OutboxStore
{
    private const string Selected = """
        SELECT m.id, coalesce(a.code, '') account, coalesce(a.name, '') name, m.view, m.purpose,
               m.document_id, m.period_from, m.period_to, m.number, m.delivery,
               m.recipients, m.subject, m.body, m.message_id, m.made_by, m.made_at, m.state,
               m.tries, m.due_at, s.detail, s.made_at last_at
        FROM message m LEFT JOIN account a ON a.id = m.account_id
            JOIN message_step s ON s.id = (SELECT max(l.id) FROM message_step l WHERE l.message_id = m.id)
        """;

    /// <summary>Messages, the latest first.</summary>
    /// <param name="states">Those in one of these; empty for all.</param>
    /// <param name="account">Those of this account; null for all.</param>
    public static IReadOnlyList<StoredMessage> Page(
        SqliteConnection connection,
        IReadOnlyCollection<MessageState> states,
        Account? account,
        int skip,
        int take
    )
    {
        ArgumentNullException.ThrowIfNull(states);
        // Of each state as many as are passed over and taken: the index of a state has them in their order.
        var ids =
            account is not null || states.Count == 0
                ? $"SELECT id FROM message m WHERE {Asked(states, account)}"
                : string.Join(
                    " UNION ALL ",
                    states.Select(s =>
                        $"SELECT id FROM (SELECT id FROM message WHERE state = {(int)s} ORDER BY id DESC LIMIT @most)"
                    )
                );
        return connection
            .Query<StoredMessage>(
                $"{Selected} WHERE m.id IN (SELECT id FROM ({ids}) ORDER BY id DESC LIMIT @take OFFSET @skip) "
                    + "ORDER BY m.id DESC",
                new
                {
                    account = account?.Id,
                    most = skip + take,
                    skip,
                    take,
                }
            )
            .AsList();
    }

    /// <summary>How many there are of them.</summary>
    public static long Count(SqliteConnection connection, IReadOnlyCollection<MessageState> states, Account? account) =>
        connection.ExecuteScalar<long>(
            $"SELECT count(*) FROM message m WHERE {Asked(states, account)}",
            new { account = account?.Id }
        );

    private static string Asked(IReadOnlyCollection<MessageState> states, Account? account) =>
        (account is null ? "true" : "m.account_id = @account")
        + (states.Count == 0 ? "" : $" AND m.state IN ({string.Join(',', states.Select(s => (int)s))})");

    /// <summary>How many there are in each of the states that ask for something.</summary>
    public static IReadOnlyDictionary<MessageState, long> Waiting(SqliteConnection connection) =>
        connection
            .Query<(MessageState State, long Count)>(
                "SELECT state, count(*) FROM message WHERE state IN (@Waiting, @Sending, @ToPrint, @Failed, @Unsure) "
                    + "GROUP BY state",
                new
                {
                    MessageState.Waiting,
                    MessageState.Sending,
                    MessageState.ToPrint,
                    MessageState.Failed,
                    MessageState.Unsure,
                }
            )
            .ToDictionary(r => r.State, r => r.Count);

    /// <summary>One message.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static StoredMessage Get(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<StoredMessage>($"{Selected} WHERE m.id = @id", new { id })
        ?? throw new NotThereException("message", $"{id}");

    /// <summary>Its steps, the first one first.</summary>
    public static IReadOnlyList<MessageStep> Steps(SqliteConnection connection, long id) =>
        connection
            .Query<MessageStep>(
                "SELECT state, detail, made_by, made_at FROM message_step WHERE message_id = @id ORDER BY id LIMIT 1000",
                new { id }
            )
            .AsList();

    /// <summary>The files that it brought; none before it was sent or printed.</summary>
    public static IReadOnlyList<KeptFile> Files(SqliteConnection connection, long id) =>
        connection
            .Query<KeptFile>(
                "SELECT id, name, media_type, length(content) size FROM message_file WHERE message_id = @id ORDER BY id",
                new { id }
            )
            .AsList();

    /// <summary>The same with what they hold.</summary>
    public static IReadOnlyList<MessageFile> Contents(SqliteConnection connection, long id) =>
        connection
            .Query<(string Name, string MediaType, byte[] Content)>(
                "SELECT name, media_type, content FROM message_file WHERE message_id = @id ORDER BY id",
                new { id }
            )
            .Select(f => new MessageFile(f.Name, f.MediaType, f.Content))
            .ToList();

    /// <summary>The next message whose turn it is to be e-mailed; null where there is none.</summary>
    /// <param name="now">As times are written in the books.</param>
    internal static long? Due(SqliteConnection connection, string now) =>
        connection.ExecuteScalar<long?>(
            "SELECT id FROM message WHERE due_at <= @now AND state = @Waiting ORDER BY due_at, id LIMIT 1",
            new { MessageState.Waiting, now }
        );

    /// <summary>Those that have been in a state longest.</summary>
    public static IReadOnlyList<StoredMessage> Oldest(SqliteConnection connection, MessageState state, int most) =>
        connection
            .Query<StoredMessage>($"{Selected} WHERE m.state = @state ORDER BY m.id LIMIT @most", new { state, most })
            .AsList();

    /// <summary>The document of a receipt.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static long DocumentOf(SqliteConnection connection, long entry) =>
        connection.ExecuteScalar<long?>(
            "SELECT d.id FROM entry e JOIN document d ON d.account_id = e.account_id AND d.entry_id = e.id "
                + "WHERE e.id = @entry",
            new { entry }
        ) ?? throw new NotThereException("receipt", $"{entry}");

    /// <summary>The posting of a document.</summary>
    public static long EntryOf(SqliteConnection connection, long document) =>
        connection.ExecuteScalar<long>("SELECT entry_id FROM document WHERE id = @document", new { document });

    /// <summary>Those that were being sent when the program ended.</summary>
    internal static IReadOnlyList<long> Interrupted(SqliteConnection connection) =>
        connection
            .Query<long>("SELECT id FROM message WHERE state = @Sending ORDER BY id", new { MessageState.Sending })
            .AsList();

    /// <summary>Whether a message about the same is under way.</summary>
    internal static bool IsUnderWay(SqliteConnection connection, long? documentId, long? reminderId) =>
        connection.ExecuteScalar<bool>(
            """
            SELECT EXISTS (SELECT 1 FROM message WHERE (document_id = @documentId OR reminder_id = @reminderId)
                AND state IN (SELECT value FROM json_each(@states)))
            """,
            new
            {
                documentId,
                reminderId,
                states = Written(MessageRule.UnderWay),
            }
        );

    /// <summary>Whether a statement of an account over just this period is in the outbox and has not gone out.</summary>
    internal static bool IsUnderWay(SqliteConnection connection, long accountId, DateOnly from, DateOnly to) =>
        connection.ExecuteScalar<bool>(
            """
            SELECT EXISTS (SELECT 1 FROM message WHERE account_id = @accountId AND period_from = @from AND period_to = @to
                AND state IN (SELECT value FROM json_each(@states)))
            """,
            new
            {
                accountId,
                from,
                to,
                states = Written(MessageRule.UnderWay),
            }
        );

    /// <summary>Whether a statement of an account over just this period was put into the outbox and not withdrawn.</summary>
    public static bool HasStatement(SqliteConnection connection, long accountId, DateOnly from, DateOnly to) =>
        connection.ExecuteScalar<bool>(
            """
            SELECT EXISTS (SELECT 1 FROM message WHERE account_id = @accountId AND period_from = @from AND period_to = @to
                AND state <> @Withdrawn)
            """,
            new
            {
                accountId,
                from,
                to,
                MessageState.Withdrawn,
            }
        );

    private static string Written(IEnumerable<MessageState> states) => Json.Write(states.Select(s => (int)s));

    /// <summary>Whether a document was reversed, or a reminder cancelled.</summary>
    internal static bool IsTakenBack(SqliteConnection connection, long? documentId, long? reminderId) =>
        connection.ExecuteScalar<bool>(
            """
            SELECT EXISTS (SELECT 1 FROM document d JOIN entry r ON r.reverses = d.entry_id WHERE d.id = @documentId)
                OR EXISTS (SELECT 1 FROM reminder_cancelled WHERE reminder_id = @reminderId)
            """,
            new { documentId, reminderId }
        );

    /// <summary>What was taken back before it went out does not go out any more.</summary>
    /// <param name="entry">The posting of documents that was reversed.</param>
    /// <param name="reminder">The reminder that was cancelled.</param>
    internal static void TakenBack(Tx tx, long accountId, long? entry, long? reminder)
    {
        foreach (
            var id in tx.Connection.Query<long>(
                """
                SELECT m.id FROM message m LEFT JOIN document d ON d.id = m.document_id
                WHERE m.account_id = @accountId AND m.state IN (SELECT value FROM json_each(@states))
                    AND (d.entry_id = @entry OR m.reminder_id = @reminder)
                """,
                new
                {
                    accountId,
                    entry,
                    reminder,
                    states = Written(MessageRule.NotGivenYet),
                }
            )
        )
            Step(tx, id, MessageState.Withdrawn, 0, null, "It was taken back before it went out.");
    }

    /// <summary>Writes a step down.</summary>
    internal static void Step(Tx tx, long id, MessageState state, int tries, string? dueAt, string detail) =>
        tx.Connection.Execute(
            """
            INSERT INTO message_step (message_id, state, tries, due_at, detail, made_by, made_at)
            VALUES (@id, @state, @tries, @dueAt, @detail, @Who, @Now)
            """,
            new
            {
                id,
                state,
                tries,
                dueAt,
                detail = detail.Length <= 1000 ? detail : detail[..999] + "…",
                tx.Who,
                tx.Now,
            }
        );
}
