using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The amendments that stand of some accounts' invoices.</summary>
internal sealed class Amendments
{
    private sealed record Row(long Id, long Document, string Date, string Definition);

    private sealed record Change(long Amendment, long Item, string Due);

    private readonly ILookup<long, (long Id, DateOnly Date, string Definition)> _byDocument;
    private readonly Dictionary<(long Amendment, long Item), DateOnly> _dues;

    private Amendments(IReadOnlyCollection<Row> rows, IEnumerable<Change> changes)
    {
        _byDocument = rows.ToLookup(r => r.Document, r => (r.Id, Columns.Date(r.Date), r.Definition));
        _dues = changes.ToDictionary(c => (c.Amendment, c.Item), c => Columns.Date(c.Due));
    }

    /// <summary>Of some accounts.</summary>
    /// <param name="accounts">Their identifiers as JSON.</param>
    internal static Amendments Of(SqliteConnection connection, string accounts)
    {
        // Most accounts have none, which the index says at once.
        var rows = connection
            .Query<Row>(
                """
                SELECT a.id, a.document_id document, a.date, a.definition
                FROM json_each(@accounts) x CROSS JOIN amendment a ON a.account_id = x.value
                WHERE NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = a.entry_id) ORDER BY a.id
                """,
                new { accounts }
            )
            .AsList();
        if (rows.Count == 0)
            return None;
        return new(
            rows,
            connection.Query<Change>(
                """
                SELECT a.id amendment, c.item_id item, c.due
                FROM json_each(@ids) x CROSS JOIN amendment a ON a.id = x.value
                    CROSS JOIN due_change c ON c.entry_id = a.entry_id
                """,
                new { ids = Json.Write(rows.Select(r => r.Id)) }
            )
        );
    }

    internal static Amendments None { get; } = new([], []);

    /// <summary>Whether an invoice was amended.</summary>
    internal bool Has(long document) => _byDocument.Contains(document);

    /// <summary>The terms that hold for an invoice now, as they are kept; null where it was not amended.</summary>
    internal string? Definition(long document) => Has(document) ? _byDocument[document].Last().Definition : null;

    /// <summary>The row of an item with the due date and the terms that hold now.</summary>
    internal ItemRows.Row On(ItemRows.Row row)
    {
        if (!Has(row.DocumentId))
            return row;
        var due = row.Due;
        foreach (var (id, _, _) in _byDocument[row.DocumentId])
            if (_dues.TryGetValue((id, row.Id), out var changed))
                due = changed;
        return row with { Due = due, OwnTerms = Definition(row.DocumentId)! };
    }

    /// <summary>What held before each amendment of an item's invoice, in their order.</summary>
    /// <param name="due">When the item was due as it was posted.</param>
    /// <param name="posted">The terms under which it was posted; null where it had none.</param>
    internal IReadOnlyList<(DateOnly Until, DateOnly Due, Terms Terms)> Former(
        long document,
        long item,
        DateOnly due,
        Terms? posted
    )
    {
        if (!Has(document))
            return [];
        var former = new List<(DateOnly, DateOnly, Terms)>();
        var before = posted;
        foreach (var (id, date, definition) in _byDocument[document])
        {
            var terms = Json.Read<TermsDefinition>(definition).ToTerms();
            former.Add((date, due, before ?? WithoutDiscounts(terms)));
            before = terms;
            if (_dues.TryGetValue((id, item), out var changed))
                due = changed;
        }

        return former;
    }

    private static Terms WithoutDiscounts(Terms terms) =>
        Terms.Create(terms.Instalments, [], terms.Moment).Under(terms.Conditions);
}
