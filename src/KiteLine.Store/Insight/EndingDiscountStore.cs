using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Finds the discounts of a whole book that end soon. Items are told apart by their dates in memory first, so that of a
/// million only those are read that can have one.
/// </summary>
/// <param name="many">From so many accounts on, the table of terms of one document alone is read as a whole.</param>
public sealed class EndingDiscountStore(ItemStore items, VersionCache versions, int many = 1000)
{
    private sealed record Dates(DateOnly Day, long Policies, HashSet<DateOnly> Of);

    private volatile Dates? _dates;

    /// <summary>Those of some accounts on a day, by account; those without are not in it.</summary>
    public IReadOnlyDictionary<long, EndingDiscounts> Of(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> accounts,
        DateOnly day,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        var (dates, own) = (InvoiceDates(connection, day), WithOwnTerms(connection, accounts));
        var earliest = day.AddDays(-DiscountWindow.Longest);
        var ending = new Dictionary<long, EndingDiscounts>();
        foreach (var some in accounts.GroupBy(a => a.Currency))
        {
            var (of, ids) = (new List<long>(), new List<long>());
            foreach (var account in some)
            {
                var before = ids.Count;
                for (var i = 0; i < account.Items.Length; i++)
                {
                    ref readonly var item = ref account.Items[i];
                    if (
                        item.Kind == ItemKind.Invoice
                        && item.Open > 0
                        && item.Date >= earliest
                        && (dates.Contains(item.Date) || own.Contains(account.ItemIds[i]))
                    )
                        ids.Add(account.ItemIds[i]);
                }

                if (ids.Count > before)
                    of.Add(account.Id);
            }

            if (ids.Count == 0)
                continue;
            ids.Sort();
            foreach (var held in items.WithDiscounts(connection, some.Key, of, ids, rounding))
                if (EndingDiscounts.Of(held, day, rounding) is { } soon)
                    ending.Add(held.Key, soon);
        }

        return ending;
    }

    // By all terms there ever were and all calendars that invoices may have been written under.
    private HashSet<DateOnly> InvoiceDates(SqliteConnection connection, DateOnly day)
    {
        var policies = connection.QuerySingle<long>("SELECT coalesce(max(id), 0) FROM policy");
        if (_dates is { } known && known.Day == day && known.Policies == policies)
            return known.Of;
        var calendars = Ids(connection, PolicyKind.Calendar)
            .Select(id => versions.Calendar(connection, id))
            .Prepend(BusinessCalendar.WeekendsOnly)
            .ToArray();
        var dates = Ids(connection, PolicyKind.Terms)
            .Select(id => versions.Terms(connection, id))
            .SelectMany(terms =>
                calendars.SelectMany(c => DiscountWindow.InvoiceDates(terms, c, day, day.AddDays(EndingDiscounts.Days)))
            )
            .ToHashSet();
        _dates = new(day, policies, dates);
        return dates;
    }

    private static IEnumerable<long> Ids(SqliteConnection connection, string kind) =>
        connection.Query<long>("SELECT id FROM policy WHERE kind = @kind", new { kind });

    private HashSet<long> WithOwnTerms(SqliteConnection connection, IReadOnlyList<BookAccount> accounts) =>
        [
            .. accounts.Count >= many
                ? connection.Query<long>(
                    """
                    SELECT i.id FROM document_terms t /* the whole book */ CROSS JOIN document d ON d.id = t.document_id
                    CROSS JOIN item i ON i.account_id = d.account_id AND i.document_id = d.id
                    UNION
                    SELECT i.id FROM amendment t /* the whole book */ CROSS JOIN item i ON i.account_id = t.account_id
                        AND i.document_id = t.document_id
                    """
                )
                : connection.Query<long>(
                    """
                    SELECT i.id FROM json_each(@accounts) x CROSS JOIN item i ON i.account_id = x.value
                    CROSS JOIN document_terms t ON t.document_id = i.document_id
                    UNION
                    SELECT i.id FROM json_each(@accounts) x CROSS JOIN amendment t ON t.account_id = x.value
                        CROSS JOIN item i ON i.account_id = t.account_id AND i.document_id = t.document_id
                    """,
                    new { accounts = Json.Write(accounts.Select(a => a.Id)) }
                ),
        ];
}
