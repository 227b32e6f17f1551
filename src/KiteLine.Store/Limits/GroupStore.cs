using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The groups of accounts.</summary>
public static class GroupStore
{
    /// <summary>All groups, by name.</summary>
    public static IReadOnlyList<AccountGroup> All(SqliteConnection connection) =>
        connection.Query<AccountGroup>("SELECT * FROM account_group ORDER BY name").AsList();

    /// <summary>The group of this name, whatever its case.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static AccountGroup Get(SqliteConnection connection, string name) =>
        Find(connection, name) ?? throw new NotThereException("group", name);

    /// <summary>The group of a name, without regard to case; null where there is none.</summary>
    public static AccountGroup? Find(SqliteConnection connection, string name) =>
        connection.QuerySingleOrDefault<AccountGroup>("SELECT * FROM account_group WHERE name = @name", new { name });

    /// <summary>Adds a group without a limit.</summary>
    public static AccountGroup Add(Tx tx, string name, Currency? currency, string parent = "")
    {
        ArgumentNullException.ThrowIfNull(tx);
        var trimmed = name.Trim();
        if (trimmed.Length is 0 or > 100)
            throw new RefusedException("name", "Give the group's name, up to 100 characters.");
        AddressableName.Check("name", trimmed);
        if (Find(tx.Connection, trimmed) is not null)
            throw new RefusedException("name", $"There is a group ‘{trimmed}’ already.");
        RefuseParent(tx, trimmed, parent.Trim());
        var code = (currency ?? Currency.Of(CompanyStore.Settings(tx.Connection).BaseCurrency)).Code;
        tx.Connection.Execute(
            "INSERT INTO account_group (name, currency, parent) VALUES (@trimmed, @code, @parent)",
            new
            {
                trimmed,
                code,
                parent = parent.Trim(),
            }
        );
        Audit.Record(
            tx,
            $"group:{trimmed}",
            "opened",
            new
            {
                name = trimmed,
                currency = code,
                parent,
            }
        );
        tx.TouchGroups();
        return Get(tx.Connection, trimmed);
    }

    /// <summary>The name of a group as it is stored; a group not met before is added. Empty stays empty.</summary>
    internal static string Known(Tx tx, string name)
    {
        var trimmed = name.Trim();
        return trimmed.Length == 0 ? "" : (Find(tx.Connection, trimmed) ?? Add(tx, trimmed, null)).Name;
    }

    /// <summary>Changes currency and parent. The currency stays once there is a limit in it.</summary>
    /// <exception cref="RefusedException">The group would contain itself, or its limits are in another
    /// currency.</exception>
    /// <exception cref="ChangedMeanwhileException">The version is not the current one.</exception>
    public static AccountGroup Change(Tx tx, string name, Currency currency, string parent, long version, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(currency);
        var before = Get(tx.Connection, name);
        if (before.Version != version)
            throw new ChangedMeanwhileException($"The group {before.Name}");
        var above = parent.Trim();
        RefuseParent(tx, before.Name, above);
        if (
            currency != before.Currency
            && tx.Connection.ExecuteScalar<long>(
                "SELECT EXISTS (SELECT 1 FROM limit_change WHERE group_id = @Id UNION ALL SELECT 1 FROM uplift WHERE "
                    + "group_id = @Id)",
                new { before.Id }
            ) == 1
        )
            throw new RefusedException(
                "currency",
                $"The limits of {before.Name} are kept in {before.Currency.Code}, which stays."
            );
        if (before.Parent.Length > 0 && !above.Equals(before.Parent, StringComparison.OrdinalIgnoreCase))
            RefuseLeaving(tx, before.Parent, above, "parent");
        if (!above.Equals(before.Parent, StringComparison.OrdinalIgnoreCase))
            tx.Connection.Execute(
                "INSERT INTO former_parent (group_id, until, parent) VALUES (@Id, @until, @Parent)",
                new
                {
                    before.Id,
                    until = tx.BusinessDate(),
                    before.Parent,
                }
            );
        tx.Connection.Execute(
            "UPDATE account_group SET currency = @Code, parent = @above, version = version + 1 WHERE id = @Id",
            new
            {
                currency.Code,
                above,
                before.Id,
            }
        );
        Audit.Record(
            tx,
            $"group:{before.Name}",
            "changed",
            new
            {
                before = new { currency = before.Currency.Code, before.Parent },
                after = new { currency = currency.Code, parent = above },
            },
            reason
        );
        tx.TouchGroups();
        return Get(tx.Connection, name);
    }

    /// <summary>The identifiers of the accounts of a group and of the groups below it.</summary>
    public static IReadOnlyList<long> Members(SqliteConnection connection, string name) =>
        connection
            .Query<long>(
                """
                WITH RECURSIVE below (name) AS (
                    SELECT name FROM account_group WHERE name = @name
                    UNION SELECT g.name FROM account_group g JOIN below b ON g.parent = b.name)
                SELECT a.id FROM below b CROSS JOIN account a ON a.group_name = b.name COLLATE NOCASE AND a.group_name <> ''
                    ORDER BY +a.code
                """,
                new { name }
            )
            .AsList();

    /// <summary>
    /// Refuses to take an account or a group out of a group whose limit bounded it, and out of those above, unless the
    /// authority reaches those limits: what was bound by them may grow as if they had been raised.
    /// </summary>
    /// <param name="to">The group that it goes to; empty for none. A group that stays above it bounds it as before.</param>
    /// <exception cref="RefusedException">A limit lies above the authority.</exception>
    internal static void RefuseLeaving(Tx tx, string from, string to, string field)
    {
        var rules = tx.Rules();
        var authority = tx.Actor.Authority;
        var kept = Above(tx.Connection, to).Select(g => g.Id).ToHashSet();
        foreach (var group in Above(tx.Connection, from).Where(g => !kept.Contains(g.Id)))
        {
            var limit = LimitStore.Highest(tx, LimitHolder.Of(group));
            if (!authority.Covers(authority.Limit, limit, rules, field))
                throw new RefusedException(
                    field,
                    $"The limit of {group.Name}, {limit} {group.Currency.Code}, would no longer hold for it, and lies above your "
                        + "authority; ask somebody with more."
                );
        }
    }

    // A group and those above it.
    private static List<AccountGroup> Above(SqliteConnection connection, string name)
    {
        var found = new List<AccountGroup>();
        for (var at = Find(connection, name); at is not null; at = Find(connection, at.Parent))
            found.Add(at);
        return found;
    }

    private static void RefuseParent(Tx tx, string name, string parent)
    {
        if (parent.Length == 0)
            return;
        if (!parent.Equals(name, StringComparison.OrdinalIgnoreCase) && Find(tx.Connection, parent) is null)
            throw new RefusedException("parent", $"There is no group ‘{parent}’.");
        var groups = GroupLoader.Load(tx.Connection);
        if (BookGroup.WouldContainItself(name, parent, groups))
            throw new RefusedException(
                "parent",
                $"‘{name}’ would contain itself; choose a group that does not belong to it."
            );
    }
}
