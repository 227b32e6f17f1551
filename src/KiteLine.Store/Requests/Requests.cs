using System.Security.Cryptography;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Requests that were carried out with the whole answers they were given, kept in the transaction that carried them
/// out.
/// </summary>
public static class Requests
{
    // Long after anybody sends again what got no answer.
    private const int DaysKept = 30;

    /// <summary>The answer this request was given before, or null when it is new.</summary>
    /// <exception cref="RefusedException">The key was used for another request.</exception>
    public static GivenAnswer? Earlier(SqliteConnection connection, MarkedRequest request)
    {
        ArgumentNullException.ThrowIfNull(request);
        var found = connection.QueryFirstOrDefault<(
            string Caller,
            string Hash,
            long Status,
            string Type,
            byte[]? Answer
        )?>(
            "SELECT caller, hash, status, type, answer FROM request WHERE key = @Key AND caller IN (@Caller, '') "
                + "ORDER BY caller DESC",
            new { request.Key, request.Caller }
        );
        if (found is not { } f)
            return null;
        // What an earlier version carried out was marked in another way and cannot be compared.
        if (f.Caller.Length > 0 && f.Hash != request.Hash)
            throw new RefusedException(
                "Idempotency-Key",
                "This key was used for a different request; use a new key for each."
            );
        return new((int)f.Status, f.Type, f.Answer);
    }

    /// <summary>Keeps the answer beside what the request did.</summary>
    /// <exception cref="AnsweredMeanwhileException">The same request was carried out meanwhile; nothing may be done
    /// again.</exception>
    public static void Keep(Tx tx, MarkedRequest request, GivenAnswer answer)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(answer);
        tx.Beside(() => Write(tx, request, answer));
    }

    private static void Write(Tx tx, MarkedRequest request, GivenAnswer answer)
    {
        tx.Connection.Execute(
            "DELETE FROM request WHERE made_at < @before",
            new { before = tx.Ago(TimeSpan.FromDays(DaysKept)) }
        );
        var kept = tx.Connection.Execute(
            "INSERT INTO request (caller, key, hash, status, type, answer, made_at) VALUES (@Caller, @Key, @Hash, "
                + "@Status, @Type, @Content, @Now) ON CONFLICT DO NOTHING",
            new
            {
                request.Caller,
                request.Key,
                request.Hash,
                answer.Status,
                answer.Type,
                answer.Content,
                tx.Now,
            }
        );
        if (kept == 0)
            throw new AnsweredMeanwhileException();
    }
}
