using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The keys by which other programs call.</summary>
public static class ApiKeyStore
{
    private const string Select = "SELECT id, name, role, made_by, made_at, revoked_by, revoked_at FROM api_key ";

    /// <summary>All keys, the latest first; revoked ones stay listed.</summary>
    public static IReadOnlyList<ApiKey> All(SqliteConnection connection) =>
        connection.Query<ApiKey>(Select + "ORDER BY id DESC").AsList();

    /// <summary>The key with this secret, or null when there is none or it was revoked.</summary>
    public static ApiKey? Find(SqliteConnection connection, string secret) =>
        connection.QuerySingleOrDefault<ApiKey>(
            Select + "WHERE hash = @hash AND revoked_at IS NULL",
            new { hash = Secret.Hash(secret) }
        );

    /// <summary>Makes a key and gives its secret, which is shown this once.</summary>
    /// <exception cref="RefusedException">The name is missing or borne by a key in use, or the role is
    /// administrator.</exception>
    public static (ApiKey Key, string Secret) Make(Tx tx, string name, Role role)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var trimmed = name.Trim();
        if (trimmed.Length is 0 or > 60)
            throw new RefusedException(
                "name",
                "Give the key a name of up to 60 characters, such as the program that will use it."
            );
        if (role == Role.Administrator)
            throw new RefusedException("role", "A key is for a viewer, a controller or a manager.");
        if (
            tx.Connection.ExecuteScalar<long>(
                "SELECT EXISTS (SELECT 1 FROM api_key WHERE name = @trimmed COLLATE NOCASE AND revoked_at IS NULL)",
                new { trimmed }
            ) == 1
        )
            throw new RefusedException(
                "name",
                $"There is a key ‘{trimmed}’ in use; revoke it first or choose another name."
            );
        var secret = "kl_" + Secret.New();
        var id = tx.Connection.ExecuteScalar<long>(
            "INSERT INTO api_key (name, role, hash, made_by, made_at) VALUES (@trimmed, @role, @hash, @Who, @Now) RETURNING id",
            new
            {
                trimmed,
                role,
                hash = Secret.Hash(secret),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(tx, "users", "key made", new { key = trimmed, role });
        return (Get(tx.Connection, id), secret);
    }

    /// <summary>Ends a key; what it did stays.</summary>
    public static ApiKey Revoke(Tx tx, long id)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var key = Get(tx.Connection, id);
        if (key.RevokedAt is not null)
            throw new RefusedException("key", $"The key ‘{key.Name}’ was revoked already.");
        tx.Connection.Execute(
            "UPDATE api_key SET revoked_by = @Who, revoked_at = @Now WHERE id = @id",
            new
            {
                id,
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(tx, "users", "key revoked", new { key = key.Name });
        return Get(tx.Connection, id);
    }

    private static ApiKey Get(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<ApiKey>(Select + "WHERE id = @id", new { id })
        ?? throw new NotThereException("key", $"{id}");
}
