using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads the items of an account.</summary>
public sealed class ItemStore(VersionCache versions)
{
    private sealed record ItemRow
    {
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
        var which = new { account.Id, alsoClosed };
        var rows = connection
            .Query<ItemRow>(
                """
                SELECT i.id, d.number, i.instalment, i.instalments,
                       i.kind, i.date, i.due, i.reminder_level, i.reminders, i.reminded_on,
                       d.net, d.tax, d.not_discountable, d.terms_id, d.calendar_id, d.reference,
                       d.id document_id, t.definition own_terms
                FROM item i JOIN document d ON d.id = i.document_id
                    LEFT JOIN document_terms t ON t.document_id = d.id
                WHERE i.account_id = @Id AND (@alsoClosed OR i.open <> 0) ORDER BY i.due, i.id
                """,
                which
            )
            .AsList();
        var movements = connection
            .Query<MovementRow>(
                """
                SELECT m.item_id, m.kind, m.value_date, m.amount, m.entry_id,
                    CASE WHEN e.account_id IS NOT NULL THEN e.posting_date END posted
                FROM item i JOIN movement m ON m.item_id = i.id JOIN entry e ON e.id = m.entry_id
                WHERE i.account_id = @Id AND (@alsoClosed OR i.open <> 0) ORDER BY m.item_id, m.seq
                """,
                which
            )
            .ToLookup(m => m.ItemId, m => m.ToMovement(account.Currency));
        var beside = new Beside(
            Raised(connection, account),
            Disputes(connection, account),
            Credits(connection, account),
            CompanyStore.Settings(connection).Rounding
        );
        return rows.Select(row => Detail(connection, account.Currency, row, movements[row.Id].ToArray(), beside))
            .ToList();
    }

    /// <summary>The calendar that a document was written under.</summary>
    public BusinessCalendar CalendarOf(SqliteConnection connection, long? id) => versions.Calendar(connection, id);

    // What charges that stand raised, in the order in which they were raised.
    private ILookup<long, RaisedLine> Raised(SqliteConnection connection, Account account) =>
        connection
            .Query<RaisedRow>(
                """
                SELECT c.item_id, c.entry_id, d.date, c.through, c.amount, c.policy_id, c.as_raised
                FROM item i JOIN charge_line c ON c.item_id = i.id JOIN document d ON d.account_id = i.account_id
                    AND d.entry_id = c.entry_id
                WHERE i.account_id = @Id AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = c.entry_id)
                    ORDER BY c.entry_id
                """,
                new { account.Id }
            )
            .ToLookup(
                r => r.ItemId,
                r => new RaisedLine(
                    r.EntryId,
                    Columns.Date(r.Date),
                    Columns.Date(r.Through),
                    Money.FromMinor(r.Amount, account.Currency),
                    r.PolicyId is { } id ? versions.LateCharge(connection, id) : null,
                    r.AsRaised == 1
                )
            );

    private static ILookup<long, ItemDispute> Disputes(SqliteConnection connection, Account account) =>
        connection
            .Query<DisputeRow>(
                """
                SELECT d.item_id, d.amount, d.from_date, s.on_date
                FROM item i JOIN dispute d ON d.item_id = i.id LEFT JOIN dispute_settled s ON s.dispute_id = d.id
                    WHERE i.account_id = @Id ORDER BY d.id
                """,
                new { account.Id }
            )
            .ToLookup(
                r => r.ItemId,
                r => new ItemDispute(Money.FromMinor(r.Amount, account.Currency), r.FromDate, r.OnDate)
            );

    // CROSS JOIN keeps the order: from the few credit notes that name an invoice.
    private static ILookup<long, CreditRow> Credits(SqliteConnection connection, Account account) =>
        connection
            .Query<CreditRow>(
                """
                SELECT c.invoice_id document_id, i.id item_id, a.value_date, a.cash
                FROM credited_invoice c CROSS JOIN item n ON n.account_id = c.account_id
                    AND n.document_id = c.document_id
                CROSS JOIN allocation a ON a.credit_item_id = n.id
                CROSS JOIN item i ON i.id = a.debit_item_id AND i.document_id = c.invoice_id
                WHERE c.account_id = @Id
                    AND NOT EXISTS (SELECT 1 FROM allocation_undone u WHERE u.allocation_id = a.id
                        AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = u.entry_id))
                ORDER BY a.value_date, a.id
                """,
                new { account.Id }
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
