using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads what belongs to accounts beside their items: promises, receipts and disputes.</summary>
internal static class BookParts
{
    internal static ILookup<long, BookPromise> Promises(SqliteConnection connection, string and) =>
        connection
            .Query<(long Account, long Id, string Made, string Due, long Amount, string? Withdrawn, long? By)>(
                $"""
                SELECT p.account_id, p.id, p.made_on, p.due_on, p.amount, w.on_date, w.replaced_by
                FROM promise p LEFT JOIN promise_withdrawn w ON w.promise_id = p.id WHERE true{and} ORDER BY p.id
                """
            )
            .ToLookup(
                r => r.Account,
                r => new BookPromise(
                    r.Id,
                    Columns.Date(r.Made),
                    Columns.Date(r.Due),
                    r.Amount,
                    Columns.OptionalDate(r.Withdrawn),
                    r.By is not null
                )
            );

    internal static ILookup<long, FormerGroup> FormerGroups(SqliteConnection connection, string where) =>
        connection
            .Query<(long Account, string Until, string Group)>(
                $"SELECT account_id, until, group_name FROM former_group{where} ORDER BY account_id, until, id"
            )
            .ToLookup(r => r.Account, r => new FormerGroup(Columns.Date(r.Until), r.Group));

    // Receipts that take days to clear, with what they settled; the days of each use are those on which the books show
    // it.
    internal static ILookup<long, BookReceipt> Receipts(SqliteConnection connection, string and)
    {
        // Most accounts have none, which an index says at once.
        if (
            !connection.ExecuteScalar<bool>(
                $"SELECT EXISTS (SELECT 1 FROM document d WHERE d.clears_on IS NOT NULL{and})"
            )
        )
            return Array.Empty<(long Id, BookReceipt Receipt)>().ToLookup(r => r.Id, r => r.Receipt);
        var uses = connection
            .Query<(
                long Entry,
                long Id,
                string ValueDate,
                string Posted,
                string? Undone,
                string? Back,
                long Cash,
                long Given,
                long MadeBy,
                long UndoneBy
            )>(
                $"""
                SELECT d.entry_id entry, a.id, a.value_date, e.posting_date posted, x.posting_date undone,
                       (SELECT r.posting_date FROM entry r WHERE r.reverses = x.id) back,
                       a.cash, a.discount + a.write_off given, a.entry_id, coalesce(x.id, 0)
                FROM document d JOIN item i ON i.document_id = d.id AND i.account_id = d.account_id
                JOIN allocation a ON a.credit_item_id = i.id JOIN entry e ON e.id = a.entry_id
                LEFT JOIN allocation_undone n ON n.allocation_id = a.id LEFT JOIN entry x ON x.id = n.entry_id
                    WHERE d.clears_on IS NOT NULL{and} ORDER BY a.id, n.id
                """
            )
            .GroupBy(r => (r.Entry, r.Id))
            .SelectMany(g =>
            {
                // It stands from its posting until it is undone, and again from the day on which that is taken back.
                var runs = new List<(long Entry, BookUse Use)>();
                DateOnly? from = Later(g.First().ValueDate, g.First().Posted);
                foreach (var r in g.Where(r => r.Undone is not null && from is not null))
                {
                    var until = Columns.OptionalDate(r.Undone);
                    runs.Add((r.Entry, new(from!.Value, until, r.Cash, r.Given, r.Id, r.MadeBy, r.UndoneBy)));
                    from = Columns.OptionalDate(r.Back);
                }

                if (from is { } still)
                    runs.Add(
                        (g.Key.Entry, new(still, null, g.First().Cash, g.First().Given, g.Key.Id, g.First().MadeBy))
                    );
                return runs;
            })
            .Concat(Moved(connection, and))
            .ToLookup(r => r.Entry, r => r.Use);
        return connection
            .Query<(
                long Id,
                long Entry,
                long Item,
                string Number,
                string Date,
                string Posted,
                string Clears,
                string? Back,
                long Net
            )>(
                $"""
                SELECT d.account_id, d.entry_id, i.id, d.number, d.date, e.posting_date, d.clears_on,
                    (SELECT r.posting_date FROM entry r WHERE r.reverses = e.id), d.net
                FROM document d JOIN entry e ON e.id = d.entry_id
                    JOIN item i ON i.account_id = d.account_id AND i.document_id = d.id
                WHERE d.clears_on IS NOT NULL{and} ORDER BY d.id
                """
            )
            .ToLookup(
                r => r.Id,
                r => new BookReceipt(
                    r.Entry,
                    r.Item,
                    r.Number,
                    Later(r.Date, r.Posted),
                    Columns.Date(r.Clears),
                    Columns.OptionalDate(r.Back),
                    r.Net,
                    [.. uses[r.Entry]]
                )
            );

        static DateOnly Later(string a, string b) => Columns.Date(string.CompareOrdinal(a, b) > 0 ? a : b);
    }

    private static IEnumerable<(long Entry, BookUse Use)> Moved(SqliteConnection connection, string and) =>
        connection
            .Query<(long Entry, long By, string Posted, string? Back, long Amount)>(
                $"""
                SELECT d.entry_id, m.posting, e.posting_date,
                    (SELECT r.posting_date FROM entry r WHERE r.reverses = m.posting), u.amount
                FROM receipt_move m JOIN document d ON d.id = m.document_id
                    JOIN unassigned_receipt u ON u.entry_id = m.posting JOIN entry e ON e.id = m.posting
                WHERE d.clears_on IS NOT NULL{and} ORDER BY m.id
                """
            )
            .Select(r =>
                (r.Entry, BookUse.Moved(Columns.Date(r.Posted), Columns.OptionalDate(r.Back), r.Amount, r.By))
            );

    internal static ILookup<long, AccountPause> Pauses(SqliteConnection connection, string and) =>
        connection
            .Query<(long Account, long Id, string From, string Until, string Reason, string? Ended)>(
                $"""
                SELECT p.account_id, p.id, p.from_date, p.until_date, p.reason, e.on_date
                FROM account_pause p LEFT JOIN account_pause_ended e ON e.pause_id = p.id WHERE true{and} ORDER BY p.id
                """
            )
            .ToLookup(
                r => r.Account,
                r => new AccountPause(
                    r.Id,
                    Columns.Date(r.From),
                    Columns.Date(r.Until),
                    r.Reason,
                    Columns.OptionalDate(r.Ended)
                )
            );

    internal static ILookup<long, CollectionCase> Collection(SqliteConnection connection, string and) =>
        connection
            .Query<(long Account, long Id, string From, long Kind, string To, string? Back)>(
                $"""
                SELECT c.account_id, c.id, c.from_date, c.kind, c.handed_to, b.on_date
                FROM collection_case c LEFT JOIN collection_taken_back b ON b.case_id = c.id WHERE true{and} ORDER BY c.id
                """
            )
            .ToLookup(
                r => r.Account,
                r => new CollectionCase(
                    r.Id,
                    Columns.Date(r.From),
                    (CollectionKind)r.Kind,
                    r.To,
                    Columns.OptionalDate(r.Back)
                )
            );

    internal static ILookup<long, BookDispute> Disputes(
        SqliteConnection connection,
        string and,
        ItemReader.Held[] items,
        Dictionary<long, int> places
    ) =>
        connection
            .Query<(long Account, long Item, long Amount, string From, string? Until, long Against)>(
                $"""
                SELECT i.account_id, d.item_id, d.amount, d.from_date, s.on_date, coalesce(s.against_customer, 0)
                FROM dispute d
                    JOIN item i ON i.id = d.item_id LEFT JOIN dispute_settled s ON s.dispute_id = d.id
                WHERE true{and} ORDER BY d.id
                """
            )
            .ToLookup(
                r => r.Account,
                r => new BookDispute(
                    Array.BinarySearch(items[places[r.Account]].Ids, r.Item),
                    r.Amount,
                    Columns.Date(r.From),
                    Columns.OptionalDate(r.Until),
                    r.Against == 1
                )
            );
}
