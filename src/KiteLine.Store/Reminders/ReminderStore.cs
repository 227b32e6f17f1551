using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads reminders that were issued, and keeps what they made of their items.</summary>
public static class ReminderStore
{
    /// <summary>The account's reminders, latest first.</summary>
    public static IReadOnlyList<IssuedReminder> Issued(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<IssuedReminder>(
                """
                SELECT r.id, r.number, r.level, r.date, r.pay_by, r.fee, r.earlier_fees, r.fee_posted, r.late_charge,
                    r.total, r.entry_id, r.issued_by, c.reason cancelled
                FROM reminder r LEFT JOIN reminder_cancelled c ON c.reminder_id = r.id WHERE r.account_id = @Id
                    ORDER BY r.id DESC
                """,
                new { account.Id }
            )
            .AsList();
    }

    /// <summary>
    /// The reminders that stand, in the order in which they were issued, with the items that moved by them.
    /// </summary>
    public static IReadOnlyList<SentReminder> Standing(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        var rows = connection.Query<(
            string Number,
            string Date,
            long Level,
            long Fee,
            long Posted,
            long Replaces,
            long? Item
        )>(
            """
            SELECT r.number, r.date, r.level, r.fee, r.fee_posted, r.replaces, ri.item_id
            FROM reminder r LEFT JOIN reminder_item ri ON ri.reminder_id = r.id AND ri.moves
            WHERE r.account_id = @Id AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id)
                ORDER BY r.id
            """,
            new { account.Id }
        );
        return
        [
            .. rows.GroupBy(r => r.Number)
                .Select(g =>
                    (First: g.First(), Items: g.Where(r => r.Item is not null).Select(r => r.Item!.Value).ToArray())
                )
                .Select(x => new SentReminder(
                    x.First.Number,
                    Columns.Date(x.First.Date),
                    (int)x.First.Level,
                    Money.FromMinor(x.First.Fee, account.Currency),
                    x.First.Posted == 1,
                    x.First.Replaces == 1,
                    x.Items
                )),
        ];
    }

    /// <summary>The reminders that stand, item by item.</summary>
    public static IReadOnlyList<ReminderMark> Marks(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<(long ItemId, long Level, string Date, string Number)>(
                """
                SELECT ri.item_id, ri.level, r.date, r.number FROM reminder r
                    JOIN reminder_item ri ON ri.reminder_id = r.id
                WHERE r.account_id = @Id AND ri.moves AND NOT
                    EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id)
                ORDER BY r.id
                """,
                new { account.Id }
            )
            .Select(r => new ReminderMark(r.ItemId, r.Level, Columns.Date(r.Date), r.Number))
            .ToList();
    }

    /// <summary>The PDF that was issued.</summary>
    public static byte[] LetterOf(SqliteConnection connection, string number) =>
        connection.ExecuteScalar<byte[]>("SELECT letter FROM reminder WHERE number = @number", new { number })
        ?? throw new NotThereException("reminder", number);

    /// <summary>A reminder as it was issued.</summary>
    /// <exception cref="NotThereException">There is none with this number.</exception>
    public static PrintedReminder Printed(SqliteConnection connection, string number)
    {
        var (id, code, _) = Find(connection, number);
        var account = AccountStore.Get(connection, code);
        var issued = Issued(connection, account).First(r => r.Id == id);
        Money Amount(long minor) => Money.FromMinor(minor, account.Currency);
        var paper = DocumentPapers.OfReminder(connection, id);
        return new()
        {
            Number = issued.Number,
            Date = issued.Date,
            PayBy = issued.PayBy,
            Level = (int)issued.Level,
            From = paper?.From ?? Paper.Of(connection),
            To = paper?.To ?? Paper.To(account),
            Lines =
            [
                .. connection
                    .Query<(string Number, long Instalment, long Instalments, string Date, string Due, long Open)>(
                        $"""
                        SELECT d.number, i.instalment, i.instalments, i.date, {DueChanges.On("@date")} due, r.open
                        FROM reminder_item r JOIN item i ON i.id = r.item_id JOIN document d ON d.id = i.document_id
                        WHERE r.reminder_id = @id ORDER BY due, i.id
                        """,
                        new { id, date = issued.Date }
                    )
                    .Select(l => new PrintedReminderLine(
                        l.Instalments > 1 ? $"{l.Number}/{l.Instalment}" : l.Number,
                        Columns.Date(l.Date),
                        Columns.Date(l.Due),
                        Amount(l.Open)
                    )),
            ],
            Fees = Amount(issued.Fee + issued.EarlierFees),
            LateCharge = Amount(issued.LateCharge),
            Total = Amount(issued.Total),
        };
    }

    /// <summary>Identifier of a reminder, the code of its account, and how it goes out.</summary>
    /// <exception cref="NotThereException">There is none of this number.</exception>
    public static (long Id, string Account, Delivery Delivery) Find(SqliteConnection connection, string number) =>
        connection.QuerySingleOrDefault<(long, string, Delivery)?>(
            "SELECT r.id, a.code, r.delivery FROM reminder r JOIN account a ON a.id = r.account_id "
                + "WHERE r.number = @number",
            new { number }
        ) ?? throw new NotThereException("reminder", number);

    /// <summary>An item's level and date from the reminders that stand: its level is that of the latest.</summary>
    internal static void Project(Tx tx, long itemId) =>
        tx.Connection.Execute(
            """
            WITH stands AS (
                SELECT ri.level, r.date, r.id FROM reminder_item ri JOIN reminder r ON r.id = ri.reminder_id
                WHERE ri.item_id = @itemId AND ri.moves AND NOT
                    EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id))
            UPDATE item SET
                reminder_level = coalesce((SELECT level FROM stands ORDER BY date DESC, id DESC LIMIT 1), 0),
                reminders = (SELECT count(*) FROM stands),
                reminded_on = (SELECT max(date) FROM stands)
            WHERE id = @itemId
            """,
            new { itemId }
        );
}
