using System.Globalization;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Who is signed in. A session that was ended here is over, whoever still holds its cookie.</summary>
public static class SessionStore
{
    private const string Format = "yyyy-MM-dd'T'HH:mm:ss.fff'Z'";

    /// <summary>Begins a session and gives its secret.</summary>
    public static string Begin(Tx tx, User user, TimeSpan longest)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(user);
        var secret = Secret.New();
        tx.Connection.Execute("DELETE FROM session WHERE ends_at <= @Now", new { tx.Now });
        tx.Connection.Execute(
            "INSERT INTO session VALUES (@hash, @Id, @Now, @ends)",
            new
            {
                hash = Secret.Hash(secret),
                user.Id,
                tx.Now,
                ends = DateTimeOffset
                    .Parse(tx.Now, CultureInfo.InvariantCulture)
                    .Add(longest)
                    .ToString(Format, CultureInfo.InvariantCulture),
            }
        );
        return secret;
    }

    /// <summary>The user of a session that still runs, or null.</summary>
    public static User? UserOf(SqliteConnection connection, string secret, DateTimeOffset now) =>
        connection.QuerySingleOrDefault<User>(
            """
            SELECT u.id, u.name, u.full_name, u.role, u.authority, u.active, u.version FROM session s
                JOIN user_account u ON u.id = s.user_id
            WHERE s.hash = @hash AND s.ends_at > @now AND u.active
            """,
            new { hash = Secret.Hash(secret), now = now.UtcDateTime.ToString(Format, CultureInfo.InvariantCulture) }
        );

    /// <summary>Ends a session; one that has ended already stays so.</summary>
    public static void End(Tx tx, string secret)
    {
        ArgumentNullException.ThrowIfNull(tx);
        tx.Connection.Execute("DELETE FROM session WHERE hash = @hash", new { hash = Secret.Hash(secret) });
    }

    internal static void EndAll(Tx tx, long userId) =>
        tx.Connection.Execute("DELETE FROM session WHERE user_id = @userId", new { userId });
}
