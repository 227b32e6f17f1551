using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Due dates that amendments of invoices changed, and those that an item had before.</summary>
internal static class DueChanges
{
    /// <summary>When an item <c>i</c> is due now, in SQL.</summary>
    internal const string Now =
        "coalesce((SELECT c.due FROM due_change c WHERE c.item_id = i.id ORDER BY c.id DESC LIMIT 1), i.due)";

    /// <summary>When an item <c>i</c> was due as the books stood when an entry was posted, in SQL.</summary>
    internal static string At(string entry) =>
        $"coalesce((SELECT c.former FROM due_change c WHERE c.item_id = i.id AND c.entry_id > {entry} "
        + $"ORDER BY c.id LIMIT 1), {Now})";

    /// <summary>When an item <c>i</c> was due at the end of a day, as posted, in SQL.</summary>
    internal static string On(string day) =>
        $"coalesce((SELECT c.former FROM due_change c WHERE c.item_id = i.id AND c.posted_on > {day} "
        + $"ORDER BY c.id LIMIT 1), {Now})";

    private sealed record Row(long Account, long Item, string Posted, string Former, string Due);

    /// <summary>All of some accounts, in the order in which they were posted, by account.</summary>
    internal static ILookup<long, (long Item, DateOnly Posted, DateOnly Former, DateOnly Due)> Of(
        SqliteConnection connection,
        string where
    ) =>
        connection
            .Query<Row>(
                $"SELECT account_id account, item_id item, posted_on posted, former, due FROM due_change{where} ORDER BY id"
            )
            .ToLookup(
                r => r.Account,
                r => (r.Item, Columns.Date(r.Posted), Columns.Date(r.Former), Columns.Date(r.Due))
            );

    /// <summary>
    /// What an account holds with the due dates that hold now, and those that held before. The items given may be those of a
    /// book that others read: they are left as they are.
    /// </summary>
    internal static (ItemReader.Held Held, IReadOnlyList<FormerDue> Former) Apply(
        ItemReader.Held held,
        IEnumerable<(long Item, DateOnly Posted, DateOnly Former, DateOnly Due)> changes
    )
    {
        BookItem[] items = [.. held.Items];
        var former = new List<FormerDue>();
        foreach (var change in changes)
        {
            var at = Array.BinarySearch(held.Ids, change.Item);
            if (at < 0)
                continue;
            items[at] = items[at] with { Due = change.Due };
            former.Add(new(at, change.Posted, change.Former));
        }

        return (held with { Items = items }, former);
    }
}
