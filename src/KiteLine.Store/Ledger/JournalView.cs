using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads the journal: balances of posting accounts, their lines, and what goes to the general ledger.</summary>
public static class JournalView
{
    private static readonly string Lines = $"""
        SELECT e.id entry_id, e.kind, e.posting_date, e.text, e.currency, a.code account_code, a.name account_name,
            CASE WHEN e.kind <> {(int)
            PostingKind.Opening} THEN (SELECT d.number FROM document d WHERE d.account_id = e.account_id
                AND d.entry_id = e.id) END
            number, l.account, l.purpose, l.amount
        FROM entry e CROSS JOIN journal_line l ON l.entry_id = e.id LEFT JOIN account a ON a.id = e.account_id
        """;

    /// <summary>
    /// Every posting account that was posted to up to the last day, in the order of their numbers, by posting date.
    /// </summary>
    /// <param name="from">The first day of the period.</param>
    /// <param name="to">Its last day.</param>
    public static IReadOnlyList<JournalBalance> Balances(SqliteConnection connection, DateOnly from, DateOnly to) =>
        connection
            .Query<(string Account, long Purpose, string Currency, long Opening, long Debit, long Credit, long Lines)>(
                """
                SELECT account, purpose, currency, sum(CASE WHEN day < @from THEN debit - credit ELSE 0 END),
                    sum(CASE WHEN day >= @from THEN debit ELSE 0 END), sum(CASE WHEN day >= @from THEN credit ELSE 0 END),
                    sum(CASE WHEN day >= @from THEN lines ELSE 0 END)
                FROM journal_day WHERE day <= @to GROUP BY account, purpose, currency ORDER BY account, purpose, currency
                """,
                new { from, to }
            )
            .Select(r =>
            {
                Money Amount(long minor) => Money.FromMinor(minor, Currency.Of(r.Currency));
                return new JournalBalance(
                    r.Account,
                    (PostingPurpose)r.Purpose,
                    Amount(r.Opening),
                    Amount(r.Debit),
                    Amount(r.Credit),
                    r.Lines
                );
            })
            .ToList();

    /// <summary>Lines of a period in the order of their days, of one posting account or of all.</summary>
    /// <param name="account">The posting account's number; null for all.</param>
    /// <param name="purpose">What it is for; null for everything.</param>
    /// <param name="currency">Of the entries; null for all.</param>
    public static IEnumerable<JournalRow> Of(
        SqliteConnection connection,
        DateOnly from,
        DateOnly to,
        string? account,
        PostingPurpose? purpose,
        Currency? currency,
        int skip,
        int take
    ) =>
        connection.Query<JournalRow>(
            $"""
            {Lines} WHERE e.posting_date BETWEEN @from AND @to {(account is null ? "" : "AND l.account = @account")}
                {(purpose is null ? "" : "AND l.purpose = @purpose")} {(
                currency is null ? "" : "AND e.currency = @code"
            )}
            ORDER BY e.posting_date, e.id, l.line LIMIT @take OFFSET @skip
            """,
            new
            {
                from,
                to,
                account,
                purpose,
                code = currency?.Code,
                skip,
                take,
            },
            buffered: false
        );

    /// <summary>The lines of the entries that were handed over together, in the order in which they were posted.</summary>
    public static IEnumerable<JournalRow> Of(SqliteConnection connection, HandOver handOver) =>
        connection.Query<JournalRow>(
            $"{Lines} WHERE e.id BETWEEN @FirstEntry AND @LastEntry ORDER BY e.id, l.line",
            handOver,
            buffered: false
        );

    /// <summary>What was handed over, the latest first.</summary>
    public static IReadOnlyList<HandOver> HandOvers(SqliteConnection connection, int skip, int take) =>
        connection
            .Query<HandOver>("SELECT * FROM hand_over ORDER BY id DESC LIMIT @take OFFSET @skip", new { skip, take })
            .AsList();

    /// <summary>How many hand-overs there were, and how many entries were posted since the last.</summary>
    public static (long Total, long Waiting) Counts(SqliteConnection connection) =>
        connection.QuerySingle<(long, long)>(
            """
            SELECT (SELECT count(*) FROM hand_over),
                (SELECT count(*) FROM entry WHERE id > (SELECT coalesce(max(last_entry), 0) FROM hand_over))
            """
        );

    /// <summary>One hand-over.</summary>
    /// <exception cref="NotThereException">There is none of this number.</exception>
    public static HandOver HandOver(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<HandOver>("SELECT * FROM hand_over WHERE id = @id", new { id })
        ?? throw new NotThereException("hand-over", $"{id}");

    /// <summary>Marks everything that was posted since the last hand-over as handed over.</summary>
    /// <exception cref="RefusedException">Nothing was.</exception>
    public static HandOver Take(Tx tx)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var (last, newest) = tx.Connection.QuerySingle<(long, long)>(
            "SELECT (SELECT coalesce(max(last_entry), 0) FROM hand_over), (SELECT coalesce(max(id), 0) FROM entry)"
        );
        var range = HandOverRange.After(last, newest);
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO hand_over (first_entry, last_entry, entries, made_by, made_at)
            SELECT @First, @Last, count(*), @Who, @Now FROM entry WHERE id BETWEEN @First AND @Last RETURNING id
            """,
            new
            {
                range.First,
                range.Last,
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            "journal",
            "handed over",
            new
            {
                id,
                range.First,
                range.Last,
            }
        );
        return HandOver(tx.Connection, id);
    }
}
