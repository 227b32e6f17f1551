using System.Text;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Writes documents, items and movements with prepared statements; a book may have millions.</summary>
internal sealed class OpeningWriter : IDisposable
{
    private readonly SqliteConnection _connection;
    private readonly Prepared _document;
    private readonly Prepared _item;
    private readonly Prepared _movement;
    private readonly Dictionary<DateOnly, byte[]> _dates = [];
    private readonly RunDigester _documents;
    private readonly RunDigester _items;
    private readonly RunDigester _movements;
    private readonly long? _calendarId;
    private long _documentId;
    private long _itemId;

    internal OpeningWriter(SqliteConnection connection, long? calendarId)
    {
        _connection = connection;
        // The writer's lock is held, so identifiers can be given here instead of asking for each.
        _documentId = Last("document");
        _itemId = Last("item");
        (_documents, _items, _movements) = (
            new("document", _documentId),
            new("item", _itemId),
            new("movement", _itemId)
        );
        _calendarId = calendarId;
        _document = new(
            connection,
            """
            INSERT INTO document (id, account_id, entry_id, kind, number, date, net, tax, not_discountable, terms_id,
                reference, revision, calendar_id)
            VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8, 0, ?9, ?10, ?11, ?12) ON CONFLICT (account_id, number,
                revision) DO NOTHING
            """
        );
        _document.Bind(12, calendarId);
        _item = new(
            connection,
            "INSERT INTO item (id, document_id, account_id, kind, instalment, instalments, date, due, open) VALUES "
                + "(?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8, ?9)"
        );
        _movement = new(
            connection,
            "INSERT INTO movement (item_id, seq, entry_id, kind, value_date, amount) VALUES (?1, 1, ?2, 0, ?3, ?4)"
        );

        long Last(string table)
        {
            using var command = connection.CreateCommand();
            command.CommandText = $"SELECT coalesce(max(id), 0) FROM {table}";
            return (long)command.ExecuteScalar()!;
        }
    }

    /// <summary>Writes a document; false when the account has one of this number that was not reversed.</summary>
    internal bool Document(long accountId, long entryId, in OpenItemRow row, long? termsId)
    {
        _document.Bind(1, ++_documentId);
        _document.Bind(2, accountId);
        _document.Bind(3, entryId);
        _document.Bind(4, (long)row.Kind);
        _document.Bind(5, row.Document);
        _document.Bind(6, Text(row.Date));
        _document.Bind(7, row.Net);
        _document.Bind(8, row.Tax);
        _document.Bind(9, termsId);
        _document.Bind(10, row.Reference);
        _document.Bind(11, 1);
        if (_document.Run() == 1)
        {
            Seal(accountId, entryId, row, termsId, 1);
            return true;
        }

        // Asked only when the number is taken, since hardly any document was ever reversed.
        if (Numbers.Revision(_connection, accountId, row.Document) is not { } revision)
            return false;
        _document.Bind(11, revision);
        if (_document.Run() != 1)
            return false;
        Seal(accountId, entryId, row, termsId, revision);
        return true;
    }

    internal void Item(
        long accountId,
        long entryId,
        in OpenItemRow row,
        int instalment,
        int instalments,
        DateOnly due,
        long open
    )
    {
        var (date, dueOn) = (Text(row.Date), Text(due));
        _item.Bind(1, ++_itemId);
        _item.Bind(2, _documentId);
        _item.Bind(3, accountId);
        _item.Bind(4, (long)row.Kind);
        _item.Bind(5, instalment);
        _item.Bind(6, instalments);
        _item.Bind(7, date);
        _item.Bind(8, dueOn);
        _item.Bind(9, open);
        _item.Run();
        _movement.Bind(1, _itemId);
        _movement.Bind(2, entryId);
        _movement.Bind(3, date);
        _movement.Bind(4, open);
        _movement.Run();
        var item = _items.Row(_itemId);
        item.Number(_itemId);
        item.Number(_documentId);
        item.Number(accountId);
        item.Number((long)row.Kind);
        item.Number(instalment);
        item.Number(instalments);
        item.Text(date);
        item.Text(dueOn);
        var movement = _movements.Row(_itemId);
        movement.Number(_itemId);
        movement.Number(1);
        movement.Number(entryId);
        movement.Number(0);
        movement.Text(date);
        movement.Number(open);
    }

    /// <summary>The digests of what was written.</summary>
    internal IEnumerable<SealedRun> Sealed() => [.. _documents.Finish(), .. _items.Finish(), .. _movements.Finish()];

    public void Dispose()
    {
        _document.Dispose();
        _item.Dispose();
        _movement.Dispose();
        _documents.Dispose();
        _items.Dispose();
        _movements.Dispose();
    }

    // All columns in their order, those that are left to the table with what it gives them.
    private void Seal(long accountId, long entryId, in OpenItemRow row, long? termsId, long revision)
    {
        var document = _documents.Row(_documentId);
        document.Number(_documentId);
        document.Number(accountId);
        document.Number(entryId);
        document.Number((long)row.Kind);
        Utf8(document, row.Document);
        document.Number(revision);
        document.Text(Text(row.Date));
        document.Number(row.Net);
        document.Number(row.Tax);
        document.Number(0);
        document.Number(termsId);
        Utf8(document, row.Reference);
        document.Number(_calendarId);
        Utf8(document, "");
        document.Nothing();
        document.Number(0);
        document.Nothing();
    }

    private static void Utf8(ContentDigest document, string text)
    {
        const int Short = 256;
        var most = Encoding.UTF8.GetMaxByteCount(text.Length);
        Span<byte> utf8 = most <= Short ? stackalloc byte[Short] : new byte[most];
        document.Text(utf8[..Encoding.UTF8.GetBytes(text, utf8)]);
    }

    private byte[] Text(DateOnly day)
    {
        if (!_dates.TryGetValue(day, out var text))
            _dates.Add(day, text = Encoding.ASCII.GetBytes(Columns.Text(day)));
        return text;
    }
}
