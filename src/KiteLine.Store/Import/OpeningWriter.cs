using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Writes documents, items and movements with prepared statements; a book may have millions.</summary>
internal sealed class OpeningWriter : IDisposable
{
    private readonly SqliteConnection _connection;
    private readonly SqliteCommand _document;
    private readonly SqliteCommand _item;
    private readonly SqliteCommand _movement;
    private readonly Dictionary<DateOnly, string> _dates = [];
    private long _documentId;
    private long _itemId;

    internal OpeningWriter(SqliteConnection connection, long? calendarId)
    {
        _connection = connection;
        // The writer's lock is held, so identifiers can be given here instead of asking for each.
        _documentId = Last("document");
        _itemId = Last("item");
        _document = Command(
            """
            INSERT INTO document (id, account_id, entry_id, kind, number, date, net, tax, not_discountable, terms_id, reference, revision, calendar_id)
            VALUES ($0, $1, $2, $3, $4, $5, $6, $7, 0, $8, $9, $10, $11) ON CONFLICT (account_id, number, revision) DO NOTHING
            """, 12);
        _document.Parameters[11].Value = (object?)calendarId ?? DBNull.Value;
        _item = Command("INSERT INTO item (id, document_id, account_id, kind, instalment, instalments, date, due, open) VALUES ($0, $1, $2, $3, $4, $5, $6, $7, $8)", 9);
        _movement = Command("INSERT INTO movement (item_id, seq, entry_id, kind, value_date, amount) VALUES ($0, 1, $1, 0, $2, $3)", 4);

        long Last(string table)
        {
            using var command = connection.CreateCommand();
            command.CommandText = $"SELECT coalesce(max(id), 0) FROM {table}";
            return (long)command.ExecuteScalar()!;
        }

        SqliteCommand Command(string sql, int parameters)
        {
            var command = connection.CreateCommand();
            command.CommandText = sql;
            for (var i = 0; i < parameters; i++) command.Parameters.Add(new SqliteParameter { ParameterName = $"${i}" });
            return command;
        }
    }

    /// <summary>Writes a document; false when the account has one of this number that was not reversed.</summary>
    internal bool Document(long accountId, long entryId, in OpenItemRow row, long? termsId)
    {
        Set(_document, ++_documentId, accountId, entryId, (long)row.Kind, row.Document, Text(row.Date), row.Net, row.Tax, (object?)termsId ?? DBNull.Value, row.Reference, 1L);
        if (_document.ExecuteNonQuery() == 1) return true;
        // Asked only when the number is taken, since hardly any document was ever reversed.
        if (Numbers.Revision(_connection, accountId, row.Document) is not { } revision) return false;
        _document.Parameters[10].Value = revision;
        return _document.ExecuteNonQuery() == 1;
    }

    internal void Item(long accountId, long entryId, in OpenItemRow row, int instalment, int instalments, DateOnly due, long open)
    {
        var date = Text(row.Date);
        Set(_item, ++_itemId, _documentId, accountId, (long)row.Kind, (long)instalment, (long)instalments, date, Text(due), open);
        _item.ExecuteNonQuery();
        Set(_movement, _itemId, entryId, date, open);
        _movement.ExecuteNonQuery();
    }

    public void Dispose()
    {
        _document.Dispose();
        _item.Dispose();
        _movement.Dispose();
    }

    private string Text(DateOnly day)
    {
        if (!_dates.TryGetValue(day, out var text)) _dates.Add(day, text = Columns.Text(day));
        return text;
    }

    private static void Set(SqliteCommand command, params ReadOnlySpan<object> values)
    {
        for (var i = 0; i < values.Length; i++) command.Parameters[i].Value = values[i];
    }
}
