using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads the items of an account.</summary>
public sealed class ItemStore(VersionCache versions)
{
    // What credit notes of an invoice were set against it, and what the credit note came to.
    private sealed record CreditRow
    {
        public long DocumentId { get; init; }
        public long ItemId { get; init; }
        public int Instalment { get; init; }
        public DateOnly ValueDate { get; init; }
        public long Cash { get; init; }
        public long Net { get; init; }
        public long Tax { get; init; }
    }

    private readonly RaisedLines _raised = new(versions);

    private sealed record DisputeRow
    {
        public long ItemId { get; init; }
        public long Amount { get; init; }
        public DateOnly FromDate { get; init; }
        public DateOnly? OnDate { get; init; }
        public bool AgainstCustomer { get; init; }
        public string NotedAt { get; init; } = "";
        public string? SettledAt { get; init; }
    }

    /// <summary>What hangs on the items of an account beside their movements.</summary>
    private sealed record Beside(
        ILookup<long, RaisedLine> Raised,
        ILookup<long, ItemDispute> Disputes,
        ILookup<long, CreditRow> Credits,
        RoundingRule Rounding
    )
    {
        /// <summary>Null where nobody asks for the tax in a discount.</summary>
        internal NotDiscountableLines? NotDiscountable { get; init; }

        /// <summary>Those of the invoices that stand.</summary>
        internal Amendments Amended { get; init; } = Amendments.None;
    }

    /// <summary>The account's items with their movements, discounts, charges and disputes, oldest due first.</summary>
    /// <param name="alsoClosed">Items with nothing open are given too.</param>
    public IReadOnlyList<Item> Items(SqliteConnection connection, Account account, bool alsoClosed = false) =>
        Details(connection, account, alsoClosed).Select(d => d.Item).ToList();

    /// <summary>As <see cref="Items"/>, with what the document says beyond the item.</summary>
    public IReadOnlyList<ItemDetail> Details(SqliteConnection connection, Account account, bool alsoClosed = false)
    {
        ArgumentNullException.ThrowIfNull(account);
        return Details(connection, account.Currency, [account.Id], alsoClosed)[account.Id];
    }

    /// <summary>The same for many accounts in one currency, by account.</summary>
    /// <param name="charges">Whether what was raised on the items is read too.</param>
    internal Dictionary<long, IReadOnlyList<ItemDetail>> Details(
        SqliteConnection connection,
        Currency currency,
        IReadOnlyCollection<long> accounts,
        bool alsoClosed = false,
        bool charges = true
    )
    {
        var of = Json.Write(accounts);
        var rounding = CompanyStore.Settings(connection).Rounding;
        var beside = new Beside(
            charges ? Raised(connection, of) : NoCharges,
            Disputes(connection, currency, of),
            Credits(connection, of),
            rounding
        )
        {
            NotDiscountable = new(connection, currency, rounding),
            Amended = Amendments.Of(connection, of),
        };
        return ByAccount(
            accounts,
            ItemRows
                .Read(connection, currency, of, alsoClosed)
                .Select(i => (beside.Amended.On(i.Row), Detail(connection, i.Row, i.Movements(), beside)))
        );
    }

    /// <summary>
    /// The open items of many accounts in one currency as receipts may settle them, by account, oldest due first.
    /// </summary>
    /// <param name="accounts">The identifiers of the accounts.</param>
    internal Dictionary<long, IReadOnlyList<ItemDetail>> ToSettle(
        SqliteConnection connection,
        Currency currency,
        IReadOnlyCollection<long> accounts,
        RoundingRule rounding
    )
    {
        var of = Json.Write(accounts);
        // A receipt asks neither what charges were raised nor what is disputed.
        var beside = new Beside(NoCharges, NoDisputes, Credits(connection, of), rounding)
        {
            Amended = Amendments.Of(connection, of),
        };
        return ByAccount(
            accounts,
            ItemRows
                .Read(connection, currency, of, alsoClosed: false)
                .Select(i =>
                    (
                        beside.Amended.On(i.Row),
                        // Movements say which discounts are left, where there are any, and what was open before the last one.
                        i.Row
                            is { IsUntouched: true }
                        && !beside.Amended.Has(i.Row.DocumentId)
                        && Applied(connection, i.Row) is not { Discounts.Count: > 0 }
                            ? Untouched(connection, i.Row)
                            : Detail(connection, i.Row, i.Movements(), beside)
                    )
                )
        );
    }

    /// <summary>
    /// The open items of many accounts in one currency, by account, with their movements and discounts alone.
    /// </summary>
    /// <param name="ids">The identifiers of the items, in rising order.</param>
    internal ILookup<long, Item> WithDiscounts(
        SqliteConnection connection,
        Currency currency,
        IReadOnlyCollection<long> accounts,
        IReadOnlyList<long> ids,
        RoundingRule rounding
    )
    {
        var of = Json.Write(accounts);
        var beside = new Beside(NoCharges, NoDisputes, Credits(connection, of), rounding)
        {
            Amended = Amendments.Of(connection, of),
        };
        return ItemRows
            .Read(connection, currency, ids, alsoClosed: false)
            .Select(i => (i.Row.AccountId, Detail(connection, i.Row, i.Movements(), beside).Item))
            .ToLookup(i => i.AccountId, i => i.Item);
    }

    /// <summary>
    /// The items of accounts that are held in memory as the books stand, with what late charges raised on them, by account;
    /// without document numbers, discounts and reminders. Accounts of which more must be known are not among them.
    /// </summary>
    internal Dictionary<long, IReadOnlyList<Item>> OfBook(
        SqliteConnection connection,
        IReadOnlyCollection<BookAccount> accounts
    )
    {
        var raised = Raised(connection, Json.Write(accounts.Select(a => a.Id)));
        // What moved since charges of earlier versions is told by which posting made it, which is not in memory.
        return accounts
            .Where(a =>
                a.FormerDues.Count == 0 && !a.ItemIds.Any(i => raised[i].Any(r => r.AsRaised || r.Policy is null))
            )
            .ToDictionary(
                a => a.Id,
                a =>
                    BookItems.Of(
                        a,
                        a.ItemIds.Where(raised.Contains).ToDictionary(i => i, i => new ItemBeside([.. raised[i]]))
                    )
            );
    }

    // Oldest due first; they come in the order of their identifiers, which those due on the same day keep.
    private static Dictionary<long, IReadOnlyList<T>> ByAccount<T>(
        IReadOnlyCollection<long> accounts,
        IEnumerable<(ItemRows.Row Row, T Item)> items
    )
    {
        var all = accounts.ToDictionary(id => id, _ => new List<(DateOnly Due, T Item)>());
        foreach (var (row, item) in items)
            all[row.AccountId].Add((row.Due, item));
        return all.ToDictionary(
            a => a.Key,
            a => (IReadOnlyList<T>)[.. a.Value.OrderBy(i => i.Due).Select(i => i.Item)]
        );
    }

    private static readonly ILookup<long, RaisedLine> NoCharges = Array.Empty<RaisedLine>().ToLookup(_ => 0L);
    private static readonly ILookup<long, ItemDispute> NoDisputes = Array.Empty<ItemDispute>().ToLookup(_ => 0L);

    /// <summary>The calendar that a document was written under.</summary>
    public BusinessCalendar CalendarOf(SqliteConnection connection, long? id) => versions.Calendar(connection, id);

    private ILookup<long, RaisedLine> Raised(SqliteConnection connection, string accounts) =>
        _raised.Of(connection, accounts).ToLookup(r => r.Item, r => r.Line);

    private static ILookup<long, ItemDispute> Disputes(
        SqliteConnection connection,
        Currency currency,
        string accounts
    ) =>
        connection
            .Query<DisputeRow>(
                """
                SELECT d.item_id, d.amount, d.from_date, s.on_date, coalesce(s.against_customer, 0) against_customer,
                    d.made_at noted_at, s.made_at settled_at
                FROM json_each(@accounts) x CROSS JOIN item i ON i.account_id = x.value
                    JOIN dispute d ON d.item_id = i.id LEFT JOIN dispute_settled s ON s.dispute_id = d.id ORDER BY d.id
                """,
                new { accounts }
            )
            .ToLookup(
                r => r.ItemId,
                r => new ItemDispute(
                    Money.FromMinor(r.Amount, currency),
                    r.FromDate,
                    r.OnDate,
                    r.AgainstCustomer,
                    Times.Read(r.NotedAt),
                    r.SettledAt is null ? null : Times.Read(r.SettledAt)
                )
            );

    // CROSS JOIN keeps the order: from the few credit notes that name an invoice.
    private static ILookup<long, CreditRow> Credits(SqliteConnection connection, string accounts) =>
        connection
            .Query<CreditRow>(
                """
                SELECT c.invoice_id document_id, i.id item_id, i.instalment, a.value_date, a.cash, d.net, d.tax
                FROM json_each(@accounts) x CROSS JOIN credited_invoice c ON c.account_id = x.value
                CROSS JOIN item n ON n.account_id = c.account_id
                    AND n.document_id = c.document_id
                CROSS JOIN document d ON d.id = c.document_id
                CROSS JOIN allocation a ON a.credit_item_id = n.id
                CROSS JOIN item i ON i.id = a.debit_item_id AND i.document_id = c.invoice_id
                WHERE NOT EXISTS (SELECT 1 FROM allocation_undone u WHERE u.allocation_id = a.id
                        AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = u.entry_id))
                ORDER BY a.value_date, a.id
                """,
                new { accounts }
            )
            .ToLookup(r => r.DocumentId);

    /// <summary>
    /// What documents say of the invoice and credit note items of accounts, one item after the other in the order in which
    /// they were posted.
    /// </summary>
    /// <param name="all">Whether the accounts are most of the book, which is then read from end to end.</param>
    internal IEnumerable<ItemHistory> Histories(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> accounts,
        bool all
    )
    {
        var places = new Dictionary<long, int>(accounts.Count);
        for (var i = 0; i < accounts.Count; i++)
            places.Add(accounts[i].Id, i);
        var of = Json.Write(places.Keys);
        var terms = connection
            .Query<long>("SELECT id FROM policy WHERE kind = @Terms", new { PolicyKind.Terms })
            .Where(id => versions.Terms(connection, id).Discounts.Count > 0)
            .ToHashSet();
        var (credits, amended) = (Credits(connection, of), Amendments.Of(connection, of));
        using var query = new Prepared(
            connection,
            $"""
            SELECT i.id, i.account_id, i.date, i.instalment, i.instalments, d.id, d.net, d.tax, d.not_discountable,
                d.terms_id, d.calendar_id, t.definition, i.kind, e.kind, i.due
            FROM {(all ? "item i /* the whole book */" : "json_each(?1) x CROSS JOIN item i ON i.account_id = x.value")}
                CROSS JOIN document d ON d.id = i.document_id CROSS JOIN entry e ON e.id = d.entry_id
                LEFT JOIN document_terms t ON t.document_id = d.id
            WHERE i.kind IN ({(int)ItemKind.Invoice}, {(int)ItemKind.CreditNote}) {(all ? "" : "ORDER BY i.id")}
            """
        );
        if (!all)
            query.Bind(1, of);
        while (query.Next())
        {
            if (!places.TryGetValue(query.Long(1), out var place))
                continue;
            var account = accounts[place];
            // An item that was posted since the book was read is looked at when its account is read anew.
            var at = Array.BinarySearch(account.ItemIds, query.Long(0));
            if (at < 0)
                continue;
            var amounts = new InvoiceAmounts(
                Money.FromMinor(query.Long(6), account.Currency),
                Money.FromMinor(query.Long(7), account.Currency),
                Money.FromMinor(query.Long(8), account.Currency)
            );
            var (document, own, isInvoice) = (
                query.Long(5),
                query.OptionalText(11),
                query.Long(12) == (long)ItemKind.Invoice
            );
            var now = amended.Definition(document) ?? own;
            Terms? Posted() =>
                own is not null ? Json.Read<TermsDefinition>(own).ToTerms()
                : query.OptionalLong(9) is { } made ? versions.Terms(connection, made)
                : null;
            var offers =
                isInvoice && (now is not null || (query.OptionalLong(9) is { } id && terms.Contains(id)))
                    ? new ItemOffer(
                        now is not null
                            ? Json.Read<TermsDefinition>(now).ToTerms()
                            : versions.Terms(connection, query.Long(9)),
                        amounts,
                        query.Date(2),
                        (int)query.Long(3),
                        query.Long(4) > 1,
                        versions.Calendar(connection, query.OptionalLong(10)),
                        credits.Contains(document) ? Of(credits[document], account.Currency) : []
                    )
                    {
                        Former = amended.Has(document)
                            ? amended.Former(document, query.Long(0), query.Date(14), Posted())
                            : [],
                    }
                    : null;
            yield return new(
                place,
                at,
                document,
                isInvoice ? amounts.Gross.Minor : -amounts.Gross.Minor,
                query.Long(13) == (long)PostingKind.Opening,
                offers
            );
        }
    }

    private static InvoiceCredit[] Of(IEnumerable<CreditRow> credits, Currency currency) =>
        [
            .. credits.Select(c =>
            {
                var cash = Money.FromMinor(c.Cash, currency);
                var net = c.Net + c.Tax == 0 ? cash.Amount : cash.Amount * c.Net / (c.Net + c.Tax);
                return new InvoiceCredit(c.ItemId, c.Instalment, c.ValueDate, cash, net);
            }),
        ];

    // Nothing moved since it opened, so that its one movement follows from it.
    private static ItemDetail Untouched(SqliteConnection connection, ItemRows.Row row) =>
        new(
            new()
            {
                Id = row.Id,
                Document = row.Instalments > 1 ? $"{row.Number}/{row.Instalment}" : row.Number,
                Kind = row.Kind,
                Date = row.Date,
                Due = row.Due,
                Movements = [new(MovementKind.Opened, row.Date, row.Open)],
            },
            row.Number,
            "",
            row.Amounts,
            row.Reference
        )
        {
            Letters = ItemRows.Letters(connection, row),
        };

    private Terms? Applied(SqliteConnection connection, ItemRows.Row row) =>
        row.OwnTerms is { Length: > 0 } own ? Json.Read<TermsDefinition>(own).ToTerms()
        : row.TermsId is { } id ? versions.Terms(connection, id)
        : null;

    private ItemDetail Detail(SqliteConnection connection, ItemRows.Row posted, Movement[] movements, Beside beside)
    {
        var row = beside.Amended.On(posted);
        var applied = Applied(connection, row);
        var item = new Item
        {
            Id = row.Id,
            Document = row.Instalments > 1 ? $"{row.Number}/{row.Instalment}" : row.Number,
            Kind = row.Kind,
            Date = row.Date,
            Due = row.Due,
            Movements = movements,
            Raised = [.. beside.Raised[row.Id]],
            Disputes = [.. beside.Disputes[row.Id]],
            ReminderLevel = row.ReminderLevel,
            Reminders = row.Reminders,
            RemindedOn = row.RemindedOn,
        };
        var offer =
            applied is null || row.Kind != ItemKind.Invoice
                ? null
                : new ItemOffer(
                    applied,
                    row.Amounts,
                    row.Date,
                    row.Instalment,
                    row.Instalments > 1,
                    versions.Calendar(connection, row.CalendarId),
                    Of(beside.Credits[row.DocumentId], item.Currency)
                )
                {
                    Former = beside.Amended.Has(row.DocumentId)
                        ? beside.Amended.Former(row.DocumentId, row.Id, posted.Due, Applied(connection, posted))
                        : [],
                };
        item = offer?.On(item, beside.Rounding) ?? item;
        var amounts = beside.NotDiscountable?.Of(row) is { } parts
            ? row.Amounts with
            {
                NotDiscountableParts = parts,
            }
            : row.Amounts;
        return new(item, row.Number, applied?.ToString() ?? "", amounts, row.Reference)
        {
            Offer = offer,
            Letters = ItemRows.Letters(connection, row),
        };
    }
}
