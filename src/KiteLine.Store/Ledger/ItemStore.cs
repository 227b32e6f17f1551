using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads the items of an account.</summary>
public sealed class ItemStore(VersionCache versions)
{
    private sealed record ItemRow
    {
        public long AccountId { get; init; }
        public long Id { get; init; }
        public string Number { get; init; } = "";
        public long Instalment { get; init; }
        public long Instalments { get; init; }
        public ItemKind Kind { get; init; }
        public DateOnly Date { get; init; }
        public DateOnly Due { get; init; }
        public long ReminderLevel { get; init; }
        public long Reminders { get; init; }

        public DateOnly? RemindedOn { get; init; }
        public long Net { get; init; }
        public long Tax { get; init; }
        public long NotDiscountable { get; init; }
        public long? TermsId { get; init; }
        public long? CalendarId { get; init; }
        public string Reference { get; init; } = "";
        public long DocumentId { get; init; }
        public string? OwnTerms { get; init; }
    }

    // What credit notes of an invoice were set against it.
    private sealed record CreditRow
    {
        public long DocumentId { get; init; }
        public long ItemId { get; init; }
        public DateOnly ValueDate { get; init; }
        public long Cash { get; init; }
    }

    // An entry of no account brought in what was open before the books began, which counts by its value date alone.
    private sealed record MovementRow
    {
        public long ItemId { get; init; }
        public long Kind { get; init; }
        public string ValueDate { get; init; } = "";
        public long Amount { get; init; }
        public long EntryId { get; init; }
        public string? Posted { get; init; }

        internal Movement ToMovement(Currency currency) =>
            new(
                (MovementKind)Kind,
                Columns.Date(ValueDate),
                Money.FromMinor(Amount, currency),
                Posted is null ? default : Columns.Date(Posted),
                EntryId
            );
    }

    private sealed record RaisedRow(
        long ItemId,
        long EntryId,
        string Date,
        string Through,
        long Amount,
        long? PolicyId,
        long AsRaised
    );

    private sealed record DisputeRow
    {
        public long ItemId { get; init; }
        public long Amount { get; init; }
        public DateOnly FromDate { get; init; }
        public DateOnly? OnDate { get; init; }
    }

    /// <summary>What hangs on the items of an account beside their movements.</summary>
    private sealed record Beside(
        ILookup<long, RaisedLine> Raised,
        ILookup<long, ItemDispute> Disputes,
        ILookup<long, CreditRow> Credits,
        RoundingRule Rounding
    );

    /// <summary>The account's items with their movements, discounts, charges and disputes, oldest due first.</summary>
    /// <param name="alsoClosed">Items with nothing open are given too.</param>
    public IReadOnlyList<Item> Items(SqliteConnection connection, Account account, bool alsoClosed = false) =>
        Details(connection, account, alsoClosed).Select(d => d.Item).ToList();

    /// <summary>As <see cref="Items"/>, with what the document says beyond the item.</summary>
    public IReadOnlyList<ItemDetail> Details(SqliteConnection connection, Account account, bool alsoClosed = false)
    {
        ArgumentNullException.ThrowIfNull(account);
        return [.. Details(connection, account.Currency, [account.Id], alsoClosed)[account.Id]];
    }

    /// <summary>The same for many accounts in one currency, by account.</summary>
    public ILookup<long, ItemDetail> Details(
        SqliteConnection connection,
        Currency currency,
        IReadOnlyList<long> accounts,
        bool alsoClosed = false
    )
    {
        ArgumentNullException.ThrowIfNull(currency);
        var which = new Which(Json.Write(accounts), alsoClosed);
        var rows = connection
            .Query<ItemRow>(
                """
                SELECT i.account_id, i.id, d.number, i.instalment, i.instalments,
                       i.kind, i.date, i.due, i.reminder_level, i.reminders, i.reminded_on,
                       d.net, d.tax, d.not_discountable, d.terms_id, d.calendar_id, d.reference,
                       d.id document_id, t.definition own_terms
                FROM json_each(@Accounts) x CROSS JOIN item i ON i.account_id = x.value
                    JOIN document d ON d.id = i.document_id
                    LEFT JOIN document_terms t ON t.document_id = d.id
                WHERE @AlsoClosed OR i.open <> 0 ORDER BY i.due, i.id
                """,
                which
            )
            .AsList();
        var movements = connection
            .Query<MovementRow>(
                """
                SELECT m.item_id, m.kind, m.value_date, m.amount, m.entry_id,
                    CASE WHEN e.account_id IS NOT NULL THEN e.posting_date END posted
                FROM json_each(@Accounts) x CROSS JOIN item i ON i.account_id = x.value
                    JOIN movement m ON m.item_id = i.id JOIN entry e ON e.id = m.entry_id
                WHERE @AlsoClosed OR i.open <> 0 ORDER BY m.item_id, m.seq
                """,
                which
            )
            .ToLookup(m => m.ItemId, m => m.ToMovement(currency));
        var beside = new Beside(
            Raised(connection, currency, which),
            Disputes(connection, currency, which),
            Credits(connection, which),
            CompanyStore.Settings(connection).Rounding
        );
        return rows.ToLookup(
            row => row.AccountId,
            row => Detail(connection, currency, row, movements[row.Id].ToArray(), beside)
        );
    }

    /// <summary>The accounts that are read, as JSON, and whether their closed items are too.</summary>
    private sealed record Which(string Accounts, bool AlsoClosed);

    /// <summary>The calendar that a document was written under.</summary>
    public BusinessCalendar CalendarOf(SqliteConnection connection, long? id) => versions.Calendar(connection, id);

    // What charges that stand raised, in the order in which they were raised.
    private ILookup<long, RaisedLine> Raised(SqliteConnection connection, Currency currency, Which which) =>
        connection
            .Query<RaisedRow>(
                """
                SELECT c.item_id, c.entry_id, d.date, c.through, c.amount, c.policy_id, c.as_raised
                FROM json_each(@Accounts) x CROSS JOIN item i ON i.account_id = x.value
                    JOIN charge_line c ON c.item_id = i.id JOIN document d ON d.account_id = i.account_id
                    AND d.entry_id = c.entry_id
                WHERE NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = c.entry_id)
                    ORDER BY c.entry_id
                """,
                which
            )
            .ToLookup(
                r => r.ItemId,
                r => new RaisedLine(
                    r.EntryId,
                    Columns.Date(r.Date),
                    Columns.Date(r.Through),
                    Money.FromMinor(r.Amount, currency),
                    r.PolicyId is { } id ? versions.LateCharge(connection, id) : null,
                    r.AsRaised == 1
                )
            );

    private static ILookup<long, ItemDispute> Disputes(SqliteConnection connection, Currency currency, Which which) =>
        connection
            .Query<DisputeRow>(
                """
                SELECT d.item_id, d.amount, d.from_date, s.on_date
                FROM json_each(@Accounts) x CROSS JOIN item i ON i.account_id = x.value
                    JOIN dispute d ON d.item_id = i.id LEFT JOIN dispute_settled s ON s.dispute_id = d.id ORDER BY d.id
                """,
                which
            )
            .ToLookup(r => r.ItemId, r => new ItemDispute(Money.FromMinor(r.Amount, currency), r.FromDate, r.OnDate));

    // CROSS JOIN keeps the order: from the few credit notes that name an invoice.
    private static ILookup<long, CreditRow> Credits(SqliteConnection connection, Which which) =>
        connection
            .Query<CreditRow>(
                """
                SELECT c.invoice_id document_id, i.id item_id, a.value_date, a.cash
                FROM json_each(@Accounts) x CROSS JOIN credited_invoice c ON c.account_id = x.value
                CROSS JOIN item n ON n.account_id = c.account_id
                    AND n.document_id = c.document_id
                CROSS JOIN allocation a ON a.credit_item_id = n.id
                CROSS JOIN item i ON i.id = a.debit_item_id AND i.document_id = c.invoice_id
                WHERE NOT EXISTS (SELECT 1 FROM allocation_undone u WHERE u.allocation_id = a.id
                        AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = u.entry_id))
                ORDER BY a.value_date, a.id
                """,
                which
            )
            .ToLookup(r => r.DocumentId);

    private ItemDetail Detail(
        SqliteConnection connection,
        Currency currency,
        ItemRow row,
        Movement[] movements,
        Beside beside
    )
    {
        Money Amount(long minor) => Money.FromMinor(minor, currency);
        var applied =
            row.OwnTerms is { } own ? Json.Read<TermsDefinition>(own).ToTerms()
            : row.TermsId is { } id ? versions.Terms(connection, id)
            : null;
        var credits = beside
            .Credits[row.DocumentId]
            .Select(c => (c.ItemId, Credit: (c.ValueDate, Amount: Amount(c.Cash))))
            .ToArray();
        var amounts = new InvoiceAmounts(Amount(row.Net), Amount(row.Tax), Amount(row.NotDiscountable));
        var item = new Item
        {
            Id = row.Id,
            Document = row.Instalments > 1 ? $"{row.Number}/{row.Instalment}" : row.Number,
            Kind = row.Kind,
            Date = row.Date,
            Due = row.Due,
            Movements = movements,
            Discounts =
                applied is null || row.Kind != ItemKind.Invoice
                    ? []
                    : ItemDiscounts.Of(
                        applied,
                        amounts,
                        row.Date,
                        (int)row.Instalment,
                        movements[0].Amount,
                        row.Instalments > 1,
                        versions.Calendar(connection, row.CalendarId),
                        beside.Rounding,
                        [.. credits.Select(c => c.Credit)]
                    ),
            Credits = [.. credits.Where(c => c.ItemId == row.Id).Select(c => c.Credit)],
            PartPayments = applied?.Conditions.PartPayments ?? false,
            Raised = [.. beside.Raised[row.Id]],
            Disputes = [.. beside.Disputes[row.Id]],
            ReminderLevel = (int)row.ReminderLevel,
            Reminders = (int)row.Reminders,
            RemindedOn = row.RemindedOn,
        };
        return new(item, row.Number, applied?.ToString() ?? "", amounts, row.Reference);
    }
}
