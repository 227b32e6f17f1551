using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads accounts with all their items and movements in compact form: one, several or the whole book.</summary>
public static class BookLoader
{
    private sealed record AccountRow(long Id, string Code, string Name, string Currency, string GroupName, string Owner);

    /// <summary>All accounts, by code; or those with the given identifiers.</summary>
    public static BookAccount[] Load(SqliteConnection connection, IReadOnlyCollection<long>? ids = null) => Load(connection, ids, withItems: true);

    /// <summary>As <see cref="Load(SqliteConnection, IReadOnlyCollection{long}?)"/>, without items and movements: limits, states and orders alone.</summary>
    public static BookAccount[] Standing(SqliteConnection connection, IReadOnlyCollection<long>? ids = null) => Load(connection, ids, withItems: false);

    private static BookAccount[] Load(SqliteConnection connection, IReadOnlyCollection<long>? ids, bool withItems)
    {
        var only = ids is null ? "" : $" WHERE {{0}} IN ({string.Join(',', ids)})";
        string Where(string column) => only.Replace("{0}", column, StringComparison.Ordinal);
        var rows = connection.Query<AccountRow>(
            "SELECT id, code, name, currency, group_name, owner FROM account" + Where("id") + " ORDER BY code", buffered: true).ToArray();
        var currencies = rows.ToDictionary(r => r.Id, r => Currency.Of(r.Currency));
        Money Amount(long account, long minor) => Money.FromMinor(minor, currencies[account]);

        var limits = connection.Query<(long Id, string From, long Amount)>("SELECT account_id, from_date, amount FROM limit_change" + Where("account_id") + " ORDER BY id", buffered: false)
            .ToLookup(r => r.Id, r => new LimitChange(Columns.Date(r.From), Amount(r.Id, r.Amount)));
        var uplifts = connection.Query<(long Id, string From, string Until, long Amount)>("SELECT account_id, from_date, until_date, amount FROM uplift" + Where("account_id") + " ORDER BY id")
            .ToLookup(r => r.Id, r => new Uplift(Columns.Date(r.From), Columns.Date(r.Until), Amount(r.Id, r.Amount)));
        var states = connection.Query<(long Id, string From, long State)>("SELECT account_id, from_date, state FROM state_change" + Where("account_id") + " ORDER BY id")
            .ToLookup(r => r.Id, r => new StateChange(Columns.Date(r.From), (AccountState)r.State));
        var orders = connection.Query<(long Id, string Number, string Date, long Open)>("SELECT account_id, number, date, not_invoiced FROM sales_order" + Where("account_id") + " ORDER BY id")
            .ToLookup(r => r.Id, r => new OpenOrder(r.Number, Columns.Date(r.Date), Amount(r.Id, r.Open)));
        var items = withItems ? ItemsByAccount(connection, Where("i.account_id")) : [];

        return rows.Select(row =>
        {
            items.TryGetValue(row.Id, out var held);
            return new BookAccount
            {
                Id = row.Id,
                Code = row.Code,
                Name = row.Name,
                Currency = currencies[row.Id],
                Group = row.GroupName,
                Owner = row.Owner,
                Limits = [.. limits[row.Id]],
                Uplifts = uplifts.Contains(row.Id) ? [.. uplifts[row.Id]] : [],
                States = states.Contains(row.Id) ? [.. states[row.Id]] : [],
                Orders = orders.Contains(row.Id) ? [.. orders[row.Id]] : [],
                Items = held?.Items.ToArray() ?? [],
                Movements = held?.Movements.ToArray() ?? [],
            };
        }).ToArray();
    }

    private sealed class Held
    {
        internal List<BookItem> Items { get; } = new(4);

        internal List<BookMovement> Movements { get; } = new(4);
    }

    // Items and their movements lie in the same order, so one pass over the join in the order of the keys reads both.
    private static Dictionary<long, Held> ItemsByAccount(SqliteConnection connection, string where)
    {
        var byAccount = new Dictionary<long, Held>();
        using var command = connection.CreateCommand();
        command.CommandText =
            "SELECT i.id, i.account_id, i.kind, i.date, i.due, i.open, m.value_date, m.amount FROM item i JOIN movement m ON m.item_id = i.id"
            + where + " ORDER BY i.id, m.seq";
        using var reader = command.ExecuteReader();
        long current = -1;
        Held? held = null;
        while (reader.Read())
        {
            var id = reader.GetInt64(0);
            if (id != current)
            {
                var account = reader.GetInt64(1);
                if (!byAccount.TryGetValue(account, out held)) byAccount.Add(account, held = new Held());
                held.Items.Add(new((ItemKind)reader.GetInt32(2), Columns.Date(reader.GetString(3)), Columns.Date(reader.GetString(4)),
                    reader.GetInt64(5), held.Movements.Count, 0));
                current = id;
            }

            held!.Movements.Add(new(Columns.Date(reader.GetString(6)), reader.GetInt64(7)));
            held.Items[^1] = held.Items[^1] with { Movements = held.Items[^1].Movements + 1 };
        }

        return byAccount;
    }
}
