using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Reads the rows of items and their movements, of which a large statement needs very many at once.
/// </summary>
internal static class ItemRows
{
    internal readonly record struct Row
    {
        public required long AccountId { get; init; }
        public required long Id { get; init; }
        public required string Number { get; init; }
        public required int Instalment { get; init; }
        public required int Instalments { get; init; }
        public required ItemKind Kind { get; init; }
        public required DateOnly Date { get; init; }
        public required DateOnly Due { get; init; }
        public required int ReminderLevel { get; init; }
        public required int Reminders { get; init; }
        public required DateOnly? RemindedOn { get; init; }
        public required InvoiceAmounts Amounts { get; init; }
        public required long? TermsId { get; init; }
        public required long? CalendarId { get; init; }
        public required string Reference { get; init; }
        public required long DocumentId { get; init; }
        public required string OwnTerms { get; init; }
        public required Money Open { get; init; }

        /// <summary>Whether all of a document with one item is open, so that nothing was settled of it.</summary>
        public bool IsUntouched =>
            Instalments == 1
            && Open == (Kind is ItemKind.CreditNote or ItemKind.Receipt ? -Amounts.Gross : Amounts.Gross);
    }

    /// <summary>
    /// The items of accounts in one currency, in the order in which they lie in the books: those of many accounts are
    /// mixed there, and each page is then read once. Each comes with what reads its movements, in the order in which they
    /// were made, before the next one is asked for.
    /// </summary>
    internal static IEnumerable<(Row Row, Func<Movement[]> Movements)> Read(
        SqliteConnection connection,
        Currency currency,
        string accounts,
        bool alsoClosed
    ) => Read(connection, currency, Ids(connection, accounts), alsoClosed);

    /// <summary>The same for items in one currency, by their identifiers in rising order.</summary>
    internal static IEnumerable<(Row Row, Func<Movement[]> Movements)> Read(
        SqliteConnection connection,
        Currency currency,
        IReadOnlyList<long> ids,
        bool alsoClosed
    )
    {
        using var one = Prepared.Kept(
            connection,
            """
            SELECT i.account_id, i.id, d.number, i.instalment, i.instalments,
                   i.kind, i.date, i.due, i.reminder_level, i.reminders, i.reminded_on,
                   d.net, d.tax, d.not_discountable, d.terms_id, d.calendar_id, d.reference, d.id, t.definition, i.open
            FROM item i JOIN document d ON d.id = i.document_id LEFT JOIN document_terms t ON t.document_id = d.id
            WHERE i.id = ?1 AND (?2 OR i.open <> 0)
            """
        );
        one.Bind(2, alsoClosed ? 1 : 0);
        // An entry of no account brought in what was open before the books began, which counts by its value date alone.
        using var moved = Prepared.Kept(
            connection,
            """
            SELECT m.kind, m.value_date, m.amount, m.entry_id,
                CASE WHEN e.account_id IS NOT NULL THEN e.posting_date END
            FROM movement m JOIN entry e ON e.id = m.entry_id WHERE m.item_id = ?1 ORDER BY m.seq
            """
        );
        var item = 0L;
        Movement[] Movements() => Moved(moved, item, currency);
        foreach (var id in ids)
        {
            item = id;
            one.Bind(1, id);
            if (one.Next())
                yield return (Of(one, currency), Movements);
            one.Reset();
        }
    }

    /// <summary>
    /// Numbers of the reminders that stand and asked for an item: that it was in, or that raised it as their fee or
    /// charge. Few items were reminded of; the others cost nothing.
    /// </summary>
    internal static IReadOnlyList<string> Letters(SqliteConnection connection, Row row)
    {
        if (row.Open.IsZero)
            return [];
        var raised = row.Kind is ItemKind.ReminderFee or ItemKind.LateCharge;
        if (!raised && row.Reminders == 0)
            return [];
        var numbers = Numbers(
            connection,
            "SELECT r.number FROM reminder_item i JOIN reminder r ON r.id = i.reminder_id WHERE i.item_id = ?1",
            row.Id
        );
        if (raised)
            numbers.AddRange(
                Numbers(
                    connection,
                    "SELECT r.number FROM document d JOIN reminder r ON r.account_id = d.account_id "
                        + "AND (r.entry_id = d.entry_id OR r.charge_entry_id = d.entry_id) WHERE d.id = ?1",
                    row.DocumentId
                )
            );
        return numbers;
    }

    private static List<string> Numbers(SqliteConnection connection, string letters, long of)
    {
        var query = Prepared.Kept(
            connection,
            letters + " AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id)"
        );
        using (query)
        {
            query.Bind(1, of);
            var numbers = new List<string>();
            while (query.Next())
                numbers.Add(query.Text(0));
            query.Reset();
            return numbers;
        }
    }

    private static List<long> Ids(SqliteConnection connection, string accounts)
    {
        using var query = Prepared.Kept(
            connection,
            "SELECT i.id FROM json_each(?1) x CROSS JOIN item i ON i.account_id = x.value"
        );
        query.Bind(1, accounts);
        var ids = new List<long>();
        while (query.Next())
            ids.Add(query.Long(0));
        ids.Sort();
        return ids;
    }

    private static Movement[] Moved(Prepared moved, long item, Currency currency)
    {
        moved.Bind(1, item);
        var movements = new List<Movement>();
        while (moved.Next())
            movements.Add(
                new(
                    (MovementKind)moved.Long(0),
                    moved.Date(1),
                    Money.FromMinor(moved.Long(2), currency),
                    moved.OptionalDate(4) ?? default,
                    moved.Long(3)
                )
            );
        moved.Reset();
        return [.. movements];
    }

    private static Row Of(Prepared row, Currency currency) =>
        new()
        {
            AccountId = row.Long(0),
            Id = row.Long(1),
            Number = row.Text(2),
            Instalment = (int)row.Long(3),
            Instalments = (int)row.Long(4),
            Kind = (ItemKind)row.Long(5),
            Date = row.Date(6),
            Due = row.Date(7),
            ReminderLevel = (int)row.Long(8),
            Reminders = (int)row.Long(9),
            RemindedOn = row.OptionalDate(10),
            Amounts = new(
                Money.FromMinor(row.Long(11), currency),
                Money.FromMinor(row.Long(12), currency),
                Money.FromMinor(row.Long(13), currency)
            ),
            TermsId = row.OptionalLong(14),
            CalendarId = row.OptionalLong(15),
            Reference = row.Text(16),
            DocumentId = row.Long(17),
            OwnTerms = row.Text(18),
            Open = Money.FromMinor(row.Long(19), currency),
        };
}
