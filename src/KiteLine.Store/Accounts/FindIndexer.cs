using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Takes new and changed accounts and new documents into the index by which they are found, a few at a time: a step
/// holds the writer's lock only for some milliseconds, and work goes on where it stopped, whatever stopped it.
/// </summary>
public static class FindIndexer
{
    private const int AccountsAtOnce = 100;
    private const int DocumentsAtOnce = 500;

    /// <summary>Whether anything waits.</summary>
    public static bool HasWork(SqliteConnection connection) =>
        connection.ExecuteScalar<bool>(
            """
            SELECT EXISTS (SELECT 1 FROM find_queue)
                OR (SELECT document_id FROM find_progress) < coalesce((SELECT max(id) FROM document), 0)
            """
        );

    /// <summary>
    /// Takes in the next ones; true where these were as many as are taken in at once, so that more may wait.
    /// </summary>
    public static bool Step(Tx tx)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var accounts = tx
            .Connection.Query<Account>(
                "SELECT a.* FROM find_queue q JOIN account a ON a.id = q.account_id LIMIT @AccountsAtOnce",
                new { AccountsAtOnce }
            )
            .AsList();
        foreach (var account in accounts)
        {
            var details = SearchedDetail
                .Of(account.Code, account.Name, account.Email, account.Address, account.Profile)
                .SelectMany(d => d.Forms());
            tx.Connection.Execute(
                """
                DELETE FROM found_account WHERE rowid = @Id;
                INSERT INTO found_account (rowid, details) VALUES (@Id, @details);
                DELETE FROM find_queue WHERE account_id = @Id;
                """,
                new { account.Id, details = string.Join('\n', details.Distinct()) }
            );
        }

        var documents = tx.Connection.Execute(
            """
            INSERT INTO found_document (rowid, details)
            SELECT id, CASE reference WHEN '' THEN number ELSE number || char(10) || reference END FROM document
            WHERE id > (SELECT document_id FROM find_progress) ORDER BY id LIMIT @DocumentsAtOnce
            """,
            new { DocumentsAtOnce }
        );
        tx.Connection.Execute(
            """
            UPDATE find_progress SET document_id = coalesce((SELECT max(id) FROM (SELECT id FROM document
                WHERE id > find_progress.document_id ORDER BY id LIMIT @DocumentsAtOnce)), document_id);
            """,
            new { DocumentsAtOnce }
        );
        return accounts.Count == AccountsAtOnce || documents == DocumentsAtOnce;
    }
}
