using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads groups with their limits.</summary>
public static class GroupLoader
{
    /// <summary>All groups, by name whatever its case.</summary>
    public static IReadOnlyDictionary<string, BookGroup> Load(SqliteConnection connection)
    {
        var rows = connection
            .Query<(long Id, string Name, string Currency, string Parent)>(
                "SELECT id, name, currency, parent FROM account_group"
            )
            .ToArray();
        var limits = connection
            .Query<LimitRows.LimitRow>(
                LimitRows.Of(LimitRows.Limits, "group_id")
                    + " WHERE group_id IS NOT NULL ORDER BY group_id, limit_change.id"
            )
            .ToLookup(r => r.Id);
        var uplifts = connection
            .Query<LimitRows.UpliftRow>(
                LimitRows.Of(LimitRows.Uplifts, "group_id") + " WHERE group_id IS NOT NULL ORDER BY group_id, uplift.id"
            )
            .ToLookup(r => r.Id);
        var parents = connection
            .Query<(long Group, string Until, string Parent)>(
                "SELECT group_id, until, parent FROM former_parent ORDER BY group_id, until, id"
            )
            .ToLookup(r => r.Group, r => new FormerGroup(Columns.Date(r.Until), r.Parent));
        return rows.ToDictionary(
            r => r.Name,
            r =>
            {
                var currency = Currency.Of(r.Currency);
                return new BookGroup(
                    r.Id,
                    r.Name,
                    currency,
                    r.Parent,
                    [.. limits[r.Id].Select(l => l.ToChange(currency))],
                    [.. uplifts[r.Id].Select(u => u.ToUplift(currency))]
                )
                {
                    FormerParents = [.. parents[r.Id]],
                };
            },
            StringComparer.OrdinalIgnoreCase
        );
    }
}
