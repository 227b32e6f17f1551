using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The people who sign in. Passwords come hashed; what is hashed how is not decided here.</summary>
public static class UserStore
{
    private const string Select = "SELECT id, name, full_name, role, authority, active, version FROM user_account ";

    /// <summary>All users, by name.</summary>
    public static IReadOnlyList<User> All(SqliteConnection connection) =>
        connection.Query<User>(Select + "ORDER BY name").AsList();

    /// <summary>The user who signs in by this name, whatever its case, and the hash of the password; or null.</summary>
    public static (User User, string PasswordHash)? Find(SqliteConnection connection, string name) =>
        connection.QuerySingleOrDefault<User>(Select + "WHERE name = @name", new { name }) is { } user
            ? (user, Hash(connection, user.Id))
            : null;

    /// <summary>The user with this identifier.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static User Get(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<User>(Select + "WHERE id = @id", new { id })
        ?? throw new NotThereException("user", $"{id}");

    /// <summary>Whether there is a user at all, also one who may not sign in.</summary>
    public static bool Any(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT EXISTS (SELECT 1 FROM user_account)") == 1;

    /// <summary>Adds a user.</summary>
    /// <exception cref="RefusedException">A name is missing or taken.</exception>
    public static User Add(Tx tx, User user, string passwordHash)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var checkedUser = Checked(tx, user);
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO user_account (name, full_name, role, authority, active, password_hash, version)
            VALUES (@Name, @FullName, @Role, @Authority, 1, @passwordHash, 1) RETURNING id
            """,
            new
            {
                checkedUser.Name,
                checkedUser.FullName,
                checkedUser.Role,
                Authority = Json.Write(checkedUser.Authority),
                passwordHash,
            }
        );
        Audit.Record(
            tx,
            "users",
            "added",
            new
            {
                user = checkedUser.Name,
                checkedUser.FullName,
                checkedUser.Role,
                checkedUser.Authority,
            }
        );
        return Get(tx.Connection, id);
    }

    /// <summary>
    /// Changes full name, role, authority and whether the user may sign in. Who may not any more is signed out.
    /// </summary>
    /// <exception cref="RefusedException">No active administrator would be left.</exception>
    /// <exception cref="ChangedMeanwhileException">The version is not the current one.</exception>
    public static User Change(Tx tx, User user, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(user);
        var before = Get(tx.Connection, user.Id);
        if (before.Version != user.Version)
            throw new ChangedMeanwhileException($"The record of {before.FullName}");
        var after = Checked(tx, user with { Name = before.Name });
        var administrators = All(tx.Connection)
            .Count(u => u.Id != user.Id && u is { Active: true, Role: Role.Administrator });
        if (administrators == 0 && !(after is { Active: true, Role: Role.Administrator }))
            throw new RefusedException(
                after.Active ? "role" : "active",
                "Somebody must be administrator; make another user administrator first."
            );
        tx.Connection.Execute(
            "UPDATE user_account SET full_name = @FullName, role = @Role, authority = @Authority, active = @Active, "
                + "version = version + 1 WHERE id = @Id",
            new
            {
                after.Id,
                after.FullName,
                after.Role,
                Authority = Json.Write(after.Authority),
                after.Active,
            }
        );
        if (!after.Active)
            SessionStore.EndAll(tx, after.Id);
        Audit.Record(
            tx,
            "users",
            "changed",
            new
            {
                before = new
                {
                    user = before.Name,
                    before.FullName,
                    before.Role,
                    before.Authority,
                    before.Active,
                },
                after = new
                {
                    user = before.Name,
                    after.FullName,
                    after.Role,
                    after.Authority,
                    after.Active,
                },
            },
            reason
        );
        return Get(tx.Connection, user.Id);
    }

    /// <summary>Gives a user another password and signs him or her out everywhere.</summary>
    public static void SetPassword(Tx tx, User user, string passwordHash)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(user);
        tx.Connection.Execute(
            "UPDATE user_account SET password_hash = @passwordHash WHERE id = @Id",
            new { user.Id, passwordHash }
        );
        SessionStore.EndAll(tx, user.Id);
        Audit.Record(tx, "users", "password", new { user = user.Name });
    }

    private static string Hash(SqliteConnection connection, long id) =>
        connection.ExecuteScalar<string>("SELECT password_hash FROM user_account WHERE id = @id", new { id })!;

    private static User Checked(Tx tx, User user)
    {
        var checkedUser = user with { Name = user.Name.Trim(), FullName = user.FullName.Trim() };
        if (checkedUser.Name.Length is 0 or > 40 || checkedUser.Name.Any(char.IsWhiteSpace))
            throw new RefusedException("name", "Give a name to sign in with: up to 40 characters without blanks.");
        if (checkedUser.FullName.Length is 0 or > 80)
            throw new RefusedException("fullName", "Give the full name that stands in the books, up to 80 characters.");
        RefusedException.ThrowIfAny(checkedUser.Authority.Problems());
        if (Taken("name", checkedUser.Name))
            throw new RefusedException(
                "name",
                $"Somebody signs in as ‘{checkedUser.Name}’ already; choose another name."
            );
        if (Taken("full_name", checkedUser.FullName))
            throw new RefusedException(
                "fullName",
                $"There is a ‘{checkedUser.FullName}’ already; the books must tell the two apart."
            );
        return checkedUser;

        bool Taken(string column, string value) =>
            tx.Connection.ExecuteScalar<long>(
                $"SELECT EXISTS (SELECT 1 FROM user_account WHERE {column} = @value COLLATE NOCASE AND id <> @Id)",
                new { value, user.Id }
            ) == 1;
    }
}
