using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Undoes postings. The original stays and its reversal stands beside it.</summary>
public static class ReversalDesk
{
    /// <summary>What taking back a posting comes to.</summary>
    /// <param name="What">The text of the original, or the number of the opening document.</param>
    /// <param name="Kind">Of the original.</param>
    /// <param name="Order">The order whose invoice is taken back, as it then stands; or null.</param>
    /// <param name="Fee">What charges the customer the bank's fee for it; or null.</param>
    public sealed record Reversal(
        Account Account,
        Posting Posting,
        string What,
        PostingKind Kind,
        (SalesOrder Order, OrderStep Step)? Order,
        Posting? Fee = null
    )
    {
        /// <summary>The journal of all of it.</summary>
        public IReadOnlyList<JournalLine> Lines =>
            [.. Posting.Lines, .. With.SelectMany(w => w.Posting.Lines), .. Fee?.Lines ?? []];

        /// <summary>What it raised of a reminder that it paid in full, which is reversed with it.</summary>
        public IReadOnlyList<(long Entry, Posting Posting)> With { get; init; } = [];

        /// <summary>Due dates that come back where it was an amendment.</summary>
        public IReadOnlyList<DueChange> Dues { get; init; } = [];

        /// <summary>What it gives up.</summary>
        internal Money GivesUp => GivenUp.Of(Kind, Posting.Lines, Account.Currency, reversed: true);

        /// <summary>The account with all of it carried out.</summary>
        internal BookAccount On(BookAccount book, long entry) =>
            DueChange.On(With.Aggregate(book.After(Posting, entry), (b, w) => b.After(w.Posting, w.Entry)), Dues);
    }

    private sealed record EntryRow(long Id, long Kind, long? AccountId, string Text, long? ReversedBy);

    private sealed record DocumentRow(
        long Id,
        long AccountId,
        long EntryId,
        long Kind,
        string Number,
        long Posting,
        long? ReversedBy
    );

    /// <summary>What reversing an entry of one account comes to. Nothing is written.</summary>
    /// <param name="bankFee">What the bank took for a receipt that bounced, charged on; null where nothing is.</param>
    /// <exception cref="RefusedException">No reason; it was reversed already, is a reversal, or later postings build on
    /// it; or a fee is charged for what is no receipt.</exception>
    public static Reversal Decide(
        SqliteConnection connection,
        long entryId,
        string reason,
        BooksRules rules,
        Func<Currency, Money?>? bankFee = null
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var entry =
            connection.QuerySingleOrDefault<EntryRow>(
                "SELECT e.id, e.kind, e.account_id, e.text, (SELECT r.id FROM entry r WHERE r.reverses = e.id) "
                    + "reversed_by FROM entry e WHERE e.id = @entryId",
                new { entryId }
            ) ?? throw new NotThereException("posting", $"{entryId}");
        var builtOn = entry.AccountId is null
            ? null
            : BuiltOn(
                connection,
                connection.Query<long>(
                    "SELECT id FROM document WHERE account_id = @AccountId AND entry_id = @entryId",
                    new { entry.AccountId, entryId }
                )
            )
                ?? ChargedSince(connection, entryId)
                ?? CorrectedSince(connection, entryId)
                ?? PaidSince(connection, entryId)
                ?? AssignedSince(connection, entryId)
                ?? UsedSince(connection, entryId);
        ReversalDecision.RefuseUnlessPossible(
            new((PostingKind)entry.Kind, entry.AccountId is not null, entry.ReversedBy is not null, builtOn),
            reason
        );

        var account = connection.QuerySingle<Account>(
            "SELECT * FROM account WHERE id = @AccountId",
            new { entry.AccountId }
        );
        return new(
            account,
            ReversalPosting.Of(
                Lines(connection, entryId, account.Currency),
                Movements(connection, account, entryId, null),
                reason,
                rules
            ),
            entry.Text,
            (PostingKind)entry.Kind,
            OrderInvoicing.WithoutInvoice(connection, entryId, rules.Today),
            bankFee?.Invoke(account.Currency) is { } fee
                ? BankFeePosting.Of(fee, (PostingKind)entry.Kind, Number(connection, entryId), rules)
                : null
        )
        {
            Dues = AmendmentDesk.Back(connection, entryId),
            With =
            [
                .. PaidLetters
                    .RaisedBy(connection, entryId)
                    .Select(raised =>
                        (
                            raised,
                            ReversalPosting.Of(
                                Lines(connection, raised, account.Currency),
                                Movements(connection, account, raised, null),
                                reason,
                                rules
                            )
                        )
                    ),
            ],
        };
    }

    /// <summary>What reversing an entry would do.</summary>
    /// <exception cref="RefusedException">It gives up more than the authority to write off covers.</exception>
    public static Effect<string> Preview(
        SqliteConnection connection,
        long entryId,
        string reason,
        Authority authority,
        BooksRules rules,
        Func<Currency, Money?>? bankFee = null
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var reversal = Decide(connection, entryId, reason, rules, bankFee);
        GivenUp.RefuseBeyond([reversal.GivesUp], [], "entry", authority, rules);
        return Effects.Shown(
            connection,
            reversal.Account,
            rules.Today,
            reversal.Lines,
            reversal.What,
            book =>
            {
                var after = OrderDesk.With(reversal.On(book, entryId), reversal.Order);
                return reversal.Fee is { } fee ? after.After(fee) : after;
            }
        ) with
        {
            Warnings = OnSlip(connection, entryId),
        };
    }

    private static IReadOnlyList<DocumentWarning> OnSlip(SqliteConnection connection, long entryId)
    {
        if (BatchDesk.Of(connection, entryId) is not { } slip)
            return [];
        var receipt = BatchDesk.On(connection, slip.Id).First(r => r.Posting == entryId);
        var amount = Money.FromMinor(receipt.Amount, receipt.Currency);
        return
        [
            new(
                DocumentWarning.OnSlip,
                BankingSlip.OnSlip(slip.Number, slip.SettledBy is not null, slip.Expected, amount),
                slip.Number
            ),
        ];
    }

    /// <summary>Reverses an entry of one account and shows what that did.</summary>
    /// <exception cref="RefusedException">It gives up more than the authority to write off covers.</exception>
    public static Effect<string> Reverse(Tx tx, long entryId, string reason, Func<Currency, Money?>? bankFee = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var reversal = Decide(tx.Connection, entryId, reason, tx.Rules(), bankFee);
        GivenUp.RefuseBeyond([reversal.GivesUp], [], "entry", tx.Actor.Authority, tx.Rules());
        return Effects.Around(
            tx,
            reversal.Account,
            () =>
            {
                var (posted, _, what) = Post(tx, entryId, reason);
                if (reversal.Fee is { } fee)
                    PostingStore.Post(tx, reversal.Account, fee);
                return (posted, reversal.Lines, what);
            }
        );
    }

    /// <summary>Reverses an entry of one account; what it gives up was measured before.</summary>
    public static (Posted Posted, Posting Posting, string What) Post(Tx tx, long entryId, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var reversal = Decide(tx.Connection, entryId, reason, tx.Rules());
        var posted = PostingStore.Post(tx, reversal.Account, reversal.Posting, reverses: entryId);
        tx.Connection.Execute(
            "INSERT INTO allocation_undone (allocation_id, entry_id) SELECT id, @EntryId FROM allocation "
                + "WHERE entry_id = @entryId",
            new { posted.EntryId, entryId }
        );
        DisputeStore.EndWith(tx, reversal.Account, entryId);
        AmendmentDesk.Change(tx, reversal.Account.Id, posted.EntryId, reversal.Posting.PostingDate, reversal.Dues);
        // Each is looked at once more: somebody may have built on it.
        foreach (var (raised, _) in reversal.With)
            Post(tx, raised, reason);
        if (reversal.Order is { } o)
            OrderInvoicing.InvoiceReversed(tx, o.Order, o.Step, posted.EntryId, reason.Trim());
        return (posted, reversal.Posting, reversal.What);
    }

    /// <summary>What taking back one document that came in with the opening items would do.</summary>
    public static Effect<string> PreviewOpening(
        SqliteConnection connection,
        long documentId,
        string reason,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var (reversal, _) = DecideOpening(connection, documentId, reason, authority, rules);
        return Effects.Shown(
            connection,
            reversal.Account,
            rules.Today,
            reversal.Posting.Lines,
            reversal.What,
            book => book.After(reversal.Posting)
        );
    }

    /// <summary>
    /// Takes back one document that came in with the opening items, by an entry of its own against the opening
    /// balances. Its number is free again, for the same document put right.
    /// </summary>
    /// <exception cref="RefusedException">No reason; it is no opening document, was reversed already, or later postings
    /// build on it.</exception>
    public static Effect<string> ReverseOpening(Tx tx, long documentId, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var (reversal, document) = DecideOpening(tx.Connection, documentId, reason, tx.Actor.Authority, tx.Rules());
        return Effects.Around(
            tx,
            reversal.Account,
            () =>
            {
                var posted = PostingStore.Post(tx, reversal.Account, reversal.Posting);
                tx.Connection.Execute(
                    "INSERT INTO opening_reversal VALUES (@Id, @EntryId)",
                    new { document.Id, posted.EntryId }
                );
                return (posted, reversal.Posting.Lines, document.Number);
            }
        );
    }

    private static (Reversal Reversal, DocumentRow Document) DecideOpening(
        SqliteConnection connection,
        long documentId,
        string reason,
        Authority authority,
        BooksRules rules
    )
    {
        var document =
            connection.QuerySingleOrDefault<DocumentRow>(
                """
                SELECT d.id, d.account_id, d.entry_id, d.kind, d.number, e.kind posting,
                       (SELECT r.reversed_by FROM reversed_document r WHERE r.document_id = d.id) reversed_by
                FROM document d JOIN entry e ON e.id = d.entry_id WHERE d.id = @documentId
                """,
                new { documentId }
            ) ?? throw new NotThereException("document", $"{documentId}");
        ReversalDecision.RefuseUnlessPossibleOfOpening(
            new(
                (PostingKind)document.Posting,
                true,
                document.ReversedBy is not null,
                BuiltOn(connection, [documentId])
            ),
            reason
        );
        var account = connection.QuerySingle<Account>(
            "SELECT * FROM account WHERE id = @AccountId",
            new { document.AccountId }
        );
        var movements = Movements(connection, account, document.EntryId, documentId);
        var open = movements.Aggregate(Money.Zero(account.Currency), (sum, m) => sum + m.Movement.Amount);
        OpeningAuthority.RefuseBeyond(
            (ItemKind)document.Kind,
            open,
            takenBack: true,
            CompanyStore.Settings(connection).SettingUpEndedOn,
            authority,
            rules
        );
        var lines = OpeningPosting.Lines((ItemKind)document.Kind, open);
        return (
            new(
                account,
                ReversalPosting.Of(lines, movements, reason, rules),
                document.Number,
                PostingKind.Opening,
                null
            ),
            document
        );
    }

    /// <summary>The journal of an entry, to the very accounts it went to, whatever the settings say today.</summary>
    public static IReadOnlyList<JournalLine> JournalOf(SqliteConnection connection, long entryId, Currency currency) =>
        Lines(connection, entryId, currency);

    internal static IReadOnlyList<JournalLine> Lines(SqliteConnection connection, long entryId, Currency currency) =>
        [
            .. connection
                .Query<(long Purpose, long Amount, string Account)>(
                    "SELECT purpose, amount, account FROM journal_line WHERE entry_id = @entryId ORDER BY line",
                    new { entryId }
                )
                .Select(l => new JournalLine(
                    (PostingPurpose)l.Purpose,
                    Money.FromMinor(l.Amount, currency),
                    l.Account
                )),
        ];

    private static string Number(SqliteConnection connection, long entryId) =>
        connection.QueryFirstOrDefault<string>(
            "SELECT d.number FROM entry e JOIN document d ON d.account_id = e.account_id AND d.entry_id = e.id "
                + "WHERE e.id = @entryId",
            new { entryId }
        ) ?? "";

    private static List<PostedMovement> Movements(
        SqliteConnection connection,
        Account account,
        long entryId,
        long? documentId
    ) =>
        connection
            .Query<(long ItemId, long Kind, string ValueDate, long Amount)>(
                """
                SELECT m.item_id, m.kind, m.value_date, m.amount FROM item i JOIN movement m ON m.item_id = i.id
                WHERE i.account_id = @Id AND m.entry_id = @entryId
                    AND (@documentId IS NULL OR i.document_id = @documentId) ORDER BY m.item_id, m.seq
                """,
                new
                {
                    account.Id,
                    entryId,
                    documentId,
                }
            )
            .Select(m => new PostedMovement(
                m.ItemId,
                new((MovementKind)m.Kind, Columns.Date(m.ValueDate), Money.FromMinor(m.Amount, account.Currency))
            ))
            .ToList();

    // CROSS JOIN keeps the order: from the documents, by the account, to what moved their items.
    // What later postings took from these documents' items, and charges raised on them, must be undone first.
    private static string? BuiltOn(SqliteConnection connection, IEnumerable<long> documents) =>
        connection.QueryFirstOrDefault<string>(
            """
            SELECT coalesce((SELECT number FROM document x WHERE x.account_id = d.account_id AND x.entry_id = later.id),
                later.text)
            FROM document d CROSS JOIN item i ON i.account_id = d.account_id AND i.document_id = d.id
            CROSS JOIN movement m ON m.item_id = i.id CROSS JOIN entry later ON later.id = m.entry_id
            WHERE d.id IN @documents AND later.id <> d.entry_id AND later.reverses IS NULL
              AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = later.id)
            UNION ALL
            SELECT charge.number FROM document d CROSS JOIN item i ON i.account_id = d.account_id
                AND i.document_id = d.id
            CROSS JOIN charge_line c ON c.item_id = i.id JOIN document charge ON charge.account_id = d.account_id
                AND charge.entry_id = c.entry_id
            WHERE d.id IN @documents AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = c.entry_id)
            UNION ALL
            SELECT e.text FROM amendment a JOIN entry e ON e.id = a.entry_id
            WHERE a.document_id IN @documents AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)
            LIMIT 1
            """,
            new { documents }
        );

    // What a correction undid of it is undone once.
    private static string? CorrectedSince(SqliteConnection connection, long entryId) =>
        connection.QueryFirstOrDefault<string>(
            """
            SELECT x.text FROM allocation a JOIN allocation_undone u ON u.allocation_id = a.id
                JOIN entry x ON x.id = u.entry_id
            WHERE a.entry_id = @entryId AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = x.id) LIMIT 1
            """,
            new { entryId }
        );

    // A refund that the bank has paid is money gone; that is taken back first.
    private static string? PaidSince(SqliteConnection connection, long entryId) =>
        connection.QueryFirstOrDefault<string>(
            $"""
            SELECT e.text FROM refund r JOIN cleared c ON c.refund_id = r.id JOIN entry e ON e.id = c.posting
            WHERE r.entry_id = @entryId AND {Cleared.Standing}
            """,
            new { entryId }
        );

    // What was moved away is on another account; it is taken off that first.
    private static string? AssignedSince(SqliteConnection connection, long entryId) =>
        connection.QueryFirstOrDefault<string>(
            """
            SELECT a.code || ' ' || d.number FROM unassigned_receipt u
                JOIN unassigned_receipt_assigned p ON p.receipt_id = u.id JOIN entry e ON e.id = p.posting
                JOIN account a ON a.id = e.account_id JOIN document d ON d.account_id = a.id AND d.entry_id = e.id
            WHERE u.entry_id = @entryId AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = p.posting)
            """,
            new { entryId }
        );

    // Of several amendments the latest is reversed first, and a discount that was given under one before that.
    private static string? UsedSince(SqliteConnection connection, long entryId) =>
        connection.QueryFirstOrDefault<string>(
            """
            SELECT e.text FROM amendment mine JOIN amendment a ON a.document_id = mine.document_id AND a.id > mine.id
                JOIN entry e ON e.id = a.entry_id
            WHERE mine.entry_id = @entryId AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)
            UNION ALL
            SELECT coalesce((SELECT d.number FROM document d WHERE d.account_id = e.account_id AND d.entry_id = e.id),
                e.text)
            FROM amendment mine JOIN item i ON i.account_id = mine.account_id AND i.document_id = mine.document_id
                JOIN movement m ON m.item_id = i.id AND m.kind = @Discount JOIN entry e ON e.id = m.entry_id
            WHERE mine.entry_id = @entryId AND e.id > @entryId AND e.reverses IS NULL
                AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)
            LIMIT 1
            """,
            new { entryId, MovementKind.Discount }
        );

    // A charge can be taken back only from the end, since the next one counted on from it.
    private static string? ChargedSince(SqliteConnection connection, long entryId) =>
        connection.QueryFirstOrDefault<string>(
            """
            SELECT d.number FROM charge_line mine JOIN charge_line c ON c.item_id = mine.item_id
                AND c.entry_id > mine.entry_id
            JOIN item i ON i.id = c.item_id JOIN document d ON d.account_id = i.account_id AND d.entry_id = c.entry_id
            WHERE mine.entry_id = @entryId AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = c.entry_id)
            LIMIT 1
            """,
            new { entryId }
        );
}
