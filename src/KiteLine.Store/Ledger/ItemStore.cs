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
        public DateOnly? ChargedThrough { get; init; }
        public long ReminderLevel { get; init; }
        public long Reminders { get; init; }

        public DateOnly? RemindedOn { get; init; }
        public long Net { get; init; }
        public long Tax { get; init; }
        public long NotDiscountable { get; init; }
        public long? TermsId { get; init; }
        public long? CalendarId { get; init; }
        public string Reference { get; init; } = "";
    }

    private sealed record MovementRow(long ItemId, MovementKind Kind, DateOnly ValueDate, long Amount)
    {
        public MovementRow(long itemId, long kind, string valueDate, long amount)
            : this(itemId, (MovementKind)kind, Columns.Date(valueDate), amount)
        {
        }
    }

    /// <summary>The account's items with their movements and discounts, oldest due first.</summary>
    /// <param name="alsoClosed">Items with nothing open are given too.</param>
    public IReadOnlyList<Item> Items(SqliteConnection connection, Account account, bool alsoClosed = false) =>
        Details(connection, account, alsoClosed).Select(d => d.Item).ToList();

    /// <summary>As <see cref="Items"/>, with what the document says beyond the item.</summary>
    public IReadOnlyList<ItemDetail> Details(SqliteConnection connection, Account account, bool alsoClosed = false)
    {
        ArgumentNullException.ThrowIfNull(account);
        var rows = connection.Query<ItemRow>(
            """
            SELECT i.id, d.number, i.instalment, i.instalments,
                   i.kind, i.date, i.due, i.charged_through, i.reminder_level, i.reminders, i.reminded_on,
                   d.net, d.tax, d.not_discountable, d.terms_id, d.calendar_id, d.reference
            FROM item i JOIN document d ON d.id = i.document_id
            WHERE i.account_id = @Id AND (@alsoClosed OR i.open <> 0) ORDER BY i.due, i.id
            """, new { account.Id, alsoClosed });
        var movements = connection.Query<MovementRow>(
            """
            SELECT m.item_id, m.kind, m.value_date, m.amount FROM item i JOIN movement m ON m.item_id = i.id
            WHERE i.account_id = @Id AND (@alsoClosed OR i.open <> 0) ORDER BY m.item_id, m.seq
            """, new { account.Id, alsoClosed })
            .ToLookup(m => m.ItemId, m => new Movement(m.Kind, m.ValueDate, Money.FromMinor(m.Amount, account.Currency)));
        var charged = connection.Query<(long ItemId, long Interest, long Compensation)>(
            """
            SELECT c.item_id, sum(c.amount - c.compensation), sum(c.compensation) FROM item i JOIN charge_line c ON c.item_id = i.id
            WHERE i.account_id = @Id AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = c.entry_id) GROUP BY c.item_id
            """, new { account.Id }).ToDictionary(c => c.ItemId);
        return rows.Select(row => Detail(connection, account.Currency, row, movements[row.Id].ToArray(), charged.GetValueOrDefault(row.Id))).ToList();
    }

    private ItemDetail Detail(SqliteConnection connection, Currency currency, ItemRow row, Movement[] movements, (long ItemId, long Interest, long Compensation) charged)
    {
        Money Amount(long minor) => Money.FromMinor(minor, currency);
        var applied = row.TermsId is { } id ? versions.Terms(connection, id) : null;
        var amounts = new InvoiceAmounts(Amount(row.Net), Amount(row.Tax), Amount(row.NotDiscountable));
        var item = new Item
        {
            Id = row.Id,
            Document = row.Instalments > 1 ? $"{row.Number}/{row.Instalment}" : row.Number,
            Kind = row.Kind,
            Date = row.Date,
            Due = row.Due,
            Movements = movements,
            Discounts = applied is null || row.Kind != ItemKind.Invoice ? []
                : ItemDiscounts.Of(applied, amounts, row.Date, (int)row.Instalment, movements[0].Amount, row.Instalments > 1, versions.Calendar(connection, row.CalendarId)),
            PartPayments = applied?.Conditions.PartPayments ?? false,
            ChargedThrough = row.ChargedThrough,
            InterestCharged = charged.ItemId == 0 ? null : Amount(charged.Interest),
            Compensated = charged.Compensation > 0,
            ReminderLevel = (int)row.ReminderLevel,
            Reminders = (int)row.Reminders,
            RemindedOn = row.RemindedOn,
        };
        return new(item, row.Number, applied?.ToString() ?? "", amounts, row.Reference);
    }
}
