using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Keeps bank statements and their entries.</summary>
public static class StatementStore
{
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

        foreach (var entry in statement.Entries.Where(e => e.Booked))
            if (
                connection.ExecuteScalar<string>(
                    """
                    SELECT s.statement FROM bank_entry e JOIN bank_statement s ON s.id = e.statement_id
                    WHERE e.own_account_id = @own AND e.reference = @Reference AND e.date = @Date AND e.amount = @Minor
                        AND e.booked
                    """,
                    new
                    {
                        own = own.Id,
                        entry.Reference,
                        entry.Date,
                        entry.Amount.Minor,
                    }
                ) is
                { } before
            )
                yield return $"The entry {entry.Reference} of {Exactly.Day(entry.Date)} came in with the statement "
                    + $"{before} already.";
    }

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
        var added = statement.Entries.Select(e => Add(tx, id, own.Id, e)).ToList();
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

    /// <summary>Whether an entry became a posting that stands.</summary>
    public static bool IsPosted(SqliteConnection connection, long entry) =>
        connection.ExecuteScalar<bool>(
            """
            SELECT EXISTS (SELECT 1 FROM bank_entry_posted p WHERE p.entry_id = @entry
                AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = p.posting))
            """,
            new { entry }
        );

    /// <summary>Notes what an entry became.</summary>
    internal static void Posted(Tx tx, long entry, long posting) =>
        tx.Connection.Execute(
            "INSERT INTO bank_entry_posted (entry_id, posting) VALUES (@entry, @posting)",
            new { entry, posting }
        );

    private static long Add(Tx tx, long statement, long own, BankEntry e) =>
        tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO bank_entry (statement_id, own_account_id, reference, date, value_date, amount, booked, reversal,
                return_reason, charges, payer, payer_account, text, end_to_end, foreign_amount)
            VALUES (@statement, @own, @Reference, @Date, @ValueDate, @amount, @Booked, @Reversal, @ReturnReason, @charges,
                @Payer, @PayerAccount, @text, @EndToEnd, @Foreign) RETURNING id
            """,
            new
            {
                statement,
                own,
                e.Reference,
                e.Date,
                e.ValueDate,
                amount = e.Amount.Minor,
                e.Booked,
                e.Reversal,
                e.ReturnReason,
                charges = e.Charges.Minor,
                e.Payer,
                e.PayerAccount,
                text = string.Join(Lines, e.Text),
                e.EndToEnd,
                e.Foreign,
            }
        );
}
