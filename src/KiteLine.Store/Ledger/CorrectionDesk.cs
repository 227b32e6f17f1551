using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Puts right what settled an item, and writes off what is left of one. Nothing is torn up.</summary>
public sealed class CorrectionDesk(ItemStore items)
{
    // A receipt settles so many items at most, and more are not shown.
    private const int Most = 1000;

    private sealed record Row
    {
        public long Id { get; init; }
        public long AccountId { get; init; }
        public long CreditItemId { get; init; }
        public long DebitItemId { get; init; }
        public MovementKind Kind { get; init; }
        public DateOnly ValueDate { get; init; }
        public long Cash { get; init; }
        public long Discount { get; init; }
        public long WriteOff { get; init; }
        public DateOnly PostingDate { get; init; }
        public DateOnly? Undone { get; init; }

        internal Allocation Allocation(Currency currency) =>
            new(
                Id,
                CreditItemId,
                DebitItemId,
                Kind,
                ValueDate,
                Money.FromMinor(Cash, currency),
                Money.FromMinor(Discount, currency),
                Money.FromMinor(WriteOff, currency),
                PostingDate,
                Undone
            );
    }

    private const string Selected = """
        SELECT a.id, e.account_id, a.credit_item_id, a.debit_item_id, a.kind, a.value_date, a.cash, a.discount, a.write_off,
               e.posting_date,
               (SELECT max(x.posting_date) FROM allocation_undone u JOIN entry x ON x.id = u.entry_id
                WHERE u.allocation_id = a.id AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = x.id)) undone
        FROM allocation a JOIN entry e ON e.id = a.entry_id
        """;

    /// <summary>What a posting settled, or what settled the items of its document; what was undone is left out.</summary>
    /// <exception cref="NotThereException">There is no such posting.</exception>
    public IReadOnlyList<SettledBy> Of(SqliteConnection connection, long entryId)
    {
        if (!connection.ExecuteScalar<bool>("SELECT EXISTS (SELECT 1 FROM entry WHERE id = @entryId)", new { entryId }))
            throw new NotThereException("posting", $"{entryId}");
        var rows = connection
            .Query<Row>(
                $"""
                {Selected} WHERE a.entry_id = @entryId
                UNION
                {Selected} WHERE a.credit_item_id IN (SELECT i.id FROM entry x JOIN document d ON d.account_id = x.account_id
                        AND d.entry_id = x.id JOIN item i ON i.account_id = d.account_id AND i.document_id = d.id
                        WHERE x.id = @entryId)
                UNION
                {Selected} WHERE a.debit_item_id IN (SELECT i.id FROM entry x JOIN document d ON d.account_id = x.account_id
                        AND d.entry_id = x.id JOIN item i ON i.account_id = d.account_id AND i.document_id = d.id
                        WHERE x.id = @entryId)
                ORDER BY 1 LIMIT {Most}
                """,
                new { entryId }
            )
            .Where(r => r.Undone is null)
            .ToList();
        return rows.Count == 0 ? [] : Both(connection, rows);
    }

    /// <summary>One link.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public SettledBy Get(SqliteConnection connection, long allocation) =>
        Both(
            connection,
            [
                connection.QuerySingleOrDefault<Row>($"{Selected} WHERE a.id = @allocation", new { allocation })
                    ?? throw new NotThereException("allocation", $"{allocation}"),
            ]
        )[0];

    /// <summary>What a correction would do.</summary>
    /// <param name="decide">Decides on the link as it stands.</param>
    public Effect<Posting> Preview(
        SqliteConnection connection,
        long allocation,
        Func<SettledBy, Posting> decide,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(decide);
        ArgumentNullException.ThrowIfNull(rules);
        var settled = Get(connection, allocation);
        var posting = decide(settled);
        return Effects.Shown(
            connection,
            settled.Account,
            rules.Today,
            posting.Lines,
            posting,
            book => book.After(posting)
        );
    }

    /// <summary>Makes a correction and shows what it did.</summary>
    /// <param name="decide">Decides on the link as it stands in the transaction.</param>
    public Effect<Posting> Post(Tx tx, long allocation, Func<SettledBy, Posting> decide)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(decide);
        var settled = Get(tx.Connection, allocation);
        return Effects.Around(
            tx,
            settled.Account,
            () =>
            {
                var posting = decide(settled);
                return (PostingStore.Post(tx, settled.Account, posting), posting.Lines, posting);
            }
        );
    }

    /// <summary>What writing off would do.</summary>
    /// <param name="decide">Decides on the item as it stands.</param>
    public Effect<Posting> Preview(
        SqliteConnection connection,
        Account account,
        long item,
        Func<ItemDetail, Posting> decide,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(decide);
        ArgumentNullException.ThrowIfNull(rules);
        var posting = decide(Item(connection, account, item));
        return Effects.Shown(connection, account, rules.Today, posting.Lines, posting, book => book.After(posting));
    }

    /// <summary>Writes off and shows what that did.</summary>
    /// <param name="decide">Decides on the item as it stands in the transaction.</param>
    public Effect<Posting> Post(Tx tx, Account account, long item, Func<ItemDetail, Posting> decide)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(decide);
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var posting = decide(Item(tx.Connection, account, item));
                return (PostingStore.Post(tx, account, posting), posting.Lines, posting);
            }
        );
    }

    private ItemDetail Item(SqliteConnection connection, Account account, long id) =>
        items.Details(connection, account).FirstOrDefault(d => d.Item.Id == id)
        ?? throw new RefusedException(
            "item",
            "This item is closed or is none of this account; choose among its open items."
        );

    private List<SettledBy> Both(SqliteConnection connection, IReadOnlyList<Row> rows)
    {
        var account = connection.QuerySingle<Account>(
            "SELECT * FROM account WHERE id = @AccountId",
            new { rows[0].AccountId }
        );
        var details = items.Details(connection, account, alsoClosed: true).ToDictionary(d => d.Item.Id);
        return
        [
            .. rows.Select(r => new SettledBy(
                account,
                r.Allocation(account.Currency),
                details[r.CreditItemId],
                details[r.DebitItemId]
            )),
        ];
    }
}
