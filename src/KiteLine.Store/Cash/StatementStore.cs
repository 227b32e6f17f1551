using System.Globalization;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Keeps bank statements and their entries.</summary>
public static class StatementStore
{
    // A statement has as many entries as a bank books in a day; so many go to the database in one go.
    private const int AtOnce = 2000;

    // In texts of several lines; what a payer wrote has none of its own.
    private const char Lines = '\n';

    /// <summary>Why a statement cannot be stored beside what is there; empty where it can.</summary>
    public static IEnumerable<string> Problems(SqliteConnection connection, OwnAccount own, BankStatement statement)
    {
        ArgumentNullException.ThrowIfNull(own);
        ArgumentNullException.ThrowIfNull(statement);
        if (!ReferenceEquals(own.Currency, statement.Currency))
            yield return $"The bank account is kept in {own.Currency.Code}, the statement in {statement.Currency.Code}.";
        if (
            connection.ExecuteScalar<bool>(
                "SELECT EXISTS (SELECT 1 FROM bank_statement WHERE own_account_id = @own AND statement = @Id)",
                new { own = own.Id, statement.Id }
            )
        )
        {
            yield return $"The statement {statement.Id} is stored already.";
            yield break;
        }

        foreach (var entries in statement.Entries.Where(e => e.Booked).Chunk(AtOnce))
        foreach (var (reference, date, before) in CameInBefore(connection, own, entries))
            yield return $"The entry {reference} of {Exactly.Day(Columns.Date(date))} came in with the statement {before} "
                + "already.";
    }

    private static IEnumerable<(string Reference, string Date, string Statement)> CameInBefore(
        SqliteConnection connection,
        OwnAccount own,
        BankEntry[] entries
    ) =>
        connection.Query<(string, string, string)>(
            """
            SELECT e.reference, e.date, s.statement
            FROM json_each(@rows) j CROSS JOIN bank_entry e ON e.own_account_id = @own AND e.reference = j.value ->> 0
                    AND e.date = j.value ->> 1 AND e.amount = j.value ->> 2 AND e.booked
                JOIN bank_statement s ON s.id = e.statement_id
            ORDER BY j.key
            """,
            new
            {
                own = own.Id,
                rows = Json.Write(entries.Select(e => new object[] { e.Reference, Day(e.Date), e.Amount.Minor })),
            }
        );

    /// <summary>Stores a statement that is sound and new, and gives the identifiers of its entries.</summary>
    public static IReadOnlyList<long> Add(Tx tx, OwnAccount own, BankStatement statement)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(own);
        ArgumentNullException.ThrowIfNull(statement);
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO bank_statement (own_account_id, statement, opening, closing, made_by, made_at)
            VALUES (@own, @Id, @opening, @closing, @Who, @Now) RETURNING id
            """,
            new
            {
                own = own.Id,
                statement.Id,
                opening = statement.Opening!.Value.Minor,
                closing = statement.Closing!.Value.Minor,
                tx.Who,
                tx.Now,
            }
        );
        var added = statement.Entries.Chunk(AtOnce).SelectMany(entries => Add(tx, id, own.Id, entries)).ToList();
        Audit.Record(
            tx,
            $"bank:{own.Account}",
            "Statement",
            new
            {
                statement.Id,
                entries = added.Count,
                closing = $"{statement.Closing}",
            },
            ""
        );
        return added;
    }

    /// <summary>The statements that came in, the latest first.</summary>
    /// <param name="skip">How many to pass over.</param>
    public static IReadOnlyList<StoredStatement> All(SqliteConnection connection, int skip, int most) =>
        connection
            .Query<StoredStatement>($"{Selected} ORDER BY s.id DESC LIMIT @most OFFSET @skip", new { skip, most })
            .AsList();

    /// <summary>What was on a bank account after its last statement; nothing where none came in.</summary>
    public static Money Balance(SqliteConnection connection, OwnAccount own)
    {
        ArgumentNullException.ThrowIfNull(own);
        return Money.FromMinor(
            connection.ExecuteScalar<long?>(
                "SELECT closing FROM bank_statement WHERE own_account_id = @Id ORDER BY id DESC LIMIT 1",
                new { own.Id }
            ) ?? 0,
            own.Currency
        );
    }

    /// <summary>How many came in.</summary>
    public static long Count(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT count(*) FROM bank_statement");

    /// <summary>One of them.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static StoredStatement Get(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<StoredStatement>($"{Selected} WHERE s.id = @id", new { id })
        ?? throw new NotThereException("statement", $"{id}");

    private const string Selected = $"""
        SELECT s.id, o.account, s.statement, o.currency, s.opening, s.closing, s.made_by, s.made_at,
               (SELECT max(date) FROM bank_entry e WHERE e.statement_id = s.id) last_date,
               (SELECT count(*) FROM bank_entry e WHERE e.statement_id = s.id) entries,
               (SELECT count(*) FROM bank_entry e WHERE e.statement_id = s.id AND {Waits}) waiting,
               (SELECT coalesce(sum(amount), 0) FROM bank_entry e WHERE e.statement_id = s.id AND {Waits}) waiting_sum
        FROM bank_statement s JOIN own_account o ON o.id = s.own_account_id
        """;

    private const string Waits = $"""
        e.booked AND NOT EXISTS (SELECT 1 FROM bank_entry_posted p WHERE p.entry_id = e.id
            AND {BankEntryStore.Standing})
        AND NOT EXISTS (SELECT 1 FROM bank_entry_aside s WHERE s.entry_id = e.id AND {BankEntryStore.StillAside})
        """;

    // One statement for many rows; each by itself would look up the name of every value again.
    private static IEnumerable<long> Add(Tx tx, long statement, long own, BankEntry[] entries) =>
        tx
            .Connection.Query<long>(
                """
                INSERT INTO bank_entry (statement_id, own_account_id, reference, date, value_date, amount, booked, reversal,
                    return_reason, charges, payer, payer_account, text, end_to_end, foreign_amount)
                SELECT @statement, @own, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5,
                    value ->> 6, value ->> 7, value ->> 8, value ->> 9, value ->> 10, value ->> 11, value ->> 12
                FROM json_each(@rows) ORDER BY key RETURNING id
                """,
                new
                {
                    statement,
                    own,
                    rows = Json.Write(
                        entries.Select(e =>
                            new object[]
                            {
                                e.Reference,
                                Day(e.Date),
                                Day(e.ValueDate),
                                e.Amount.Minor,
                                e.Booked ? 1 : 0,
                                e.Reversal ? 1 : 0,
                                e.ReturnReason,
                                e.Charges.Minor,
                                e.Payer,
                                e.PayerAccount,
                                string.Join(Lines, e.Text),
                                e.EndToEnd,
                                e.Foreign,
                            }
                        )
                    ),
                }
            )
            .Order();

    private static string Day(DateOnly day) => day.ToString("O", CultureInfo.InvariantCulture);
}
