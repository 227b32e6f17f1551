using System.Runtime.InteropServices;
using System.Text;
using Microsoft.Data.Sqlite;
using SQLitePCL;

namespace KiteLine.Store;

/// <summary>
/// A statement that is read once by the database and then run for, or gives, very many rows, where looking up
/// parameters by name, boxing values and making texts would cost as much as the work itself. Places of parameters count
/// from 1, those of columns from 0.
/// </summary>
internal sealed class Prepared : IDisposable
{
    private readonly sqlite3 _database;
    private readonly sqlite3_stmt _statement;
    private readonly IntPtr _row;
    private readonly Action<Prepared>? _back;
    private int? _width;

    /// <param name="back">Takes it back when it is not needed any more; without, it is disposed of then.</param>
    internal Prepared(SqliteConnection connection, string sql, Action<Prepared>? back = null)
    {
        _back = back;
        _database = connection.Handle!;
        Check(raw.sqlite3_prepare_v2(_database, sql, out _statement));
        _row = _statement.DangerousGetHandle();
    }

    /// <summary>One that the connection keeps, where it keeps any: for statements that each request needs.</summary>
    internal static Prepared Kept(SqliteConnection connection, string sql) =>
        connection is KeptConnection keeper ? keeper.Prepared(sql) : new(connection, sql);

    internal void Bind(int place, long value) => Check(Native.sqlite3_bind_int64(_row, place, value));

    internal void Bind(int place, long? value) =>
        Check(
            value is { } given ? Native.sqlite3_bind_int64(_row, place, given) : Native.sqlite3_bind_null(_row, place)
        );

    internal void Bind(int place, string? value)
    {
        if (value is null)
        {
            Check(Native.sqlite3_bind_null(_row, place));
            return;
        }

        // Most texts are codes and numbers of documents.
        const int Short = 256;
        var most = Encoding.UTF8.GetMaxByteCount(value.Length);
        Span<byte> utf8 = most <= Short ? stackalloc byte[Short] : new byte[most];
        Bind(place, utf8[..Encoding.UTF8.GetBytes(value, utf8)]);
    }

    internal unsafe void BindBytes(int place, ReadOnlySpan<byte> bytes)
    {
        fixed (byte* first = bytes)
            Check(Native.sqlite3_bind_blob(_row, place, first, bytes.Length, Native.Copied));
    }

    /// <param name="utf8">The text as it is stored.</param>
    internal unsafe void Bind(int place, ReadOnlySpan<byte> utf8)
    {
        fixed (byte* text = utf8)
        {
            // No text at all would be taken for null.
            byte none = 0;
            Check(Native.sqlite3_bind_text(_row, place, text == null ? &none : text, utf8.Length, Native.Copied));
        }
    }

    /// <summary>Stores the row; what was bound stays bound. Gives the number of rows stored.</summary>
    /// <exception cref="SqliteException">A constraint does not hold.</exception>
    internal int Run()
    {
        var outcome = Native.sqlite3_step(_row);
        _ = Native.sqlite3_reset(_row);
        if (outcome != raw.SQLITE_DONE)
            Check(outcome);
        return raw.sqlite3_changes(_database);
    }

    /// <summary>
    /// Stores the row and gives the number that it got. A statement that returns it would be a trigger to the database,
    /// which then keeps a copy of every page that it changes.
    /// </summary>
    /// <exception cref="SqliteException">A constraint does not hold.</exception>
    internal long RunForId()
    {
        Run();
        return raw.sqlite3_last_insert_rowid(_database);
    }

    /// <summary>Stores the row and gives the value that the statement returns.</summary>
    /// <exception cref="SqliteException">A constraint does not hold.</exception>
    internal long RunForValue()
    {
        if (!Next())
            throw new InvalidOperationException("The statement returns nothing.");
        var value = Long(0);
        // What a statement returns is given once everything is stored; the step after it ends it.
        var outcome = Native.sqlite3_step(_row);
        _ = Native.sqlite3_reset(_row);
        if (outcome != raw.SQLITE_DONE)
            Check(outcome);
        return value;
    }

    internal void Bind(int place, DateOnly day) => Bind(place, Columns.Text(day));

    internal void Bind(int place, DateOnly? day) => Bind(place, day is { } given ? Columns.Text(given) : null);

    /// <summary>Goes to the next row of a query; false after the last.</summary>
    internal bool Next()
    {
        var outcome = Native.sqlite3_step(_row);
        if (outcome == raw.SQLITE_ROW)
            return true;
        if (outcome != raw.SQLITE_DONE)
            Check(outcome);
        return false;
    }

    /// <summary>Makes a query ready to be run again with other values.</summary>
    internal void Reset() => _ = Native.sqlite3_reset(_row);

    /// <summary>How many columns a row has.</summary>
    internal int Width => _width ??= raw.sqlite3_column_count(_statement);

    /// <summary>The kind of a value, as the library numbers them.</summary>
    internal int Type(int column) => Native.sqlite3_column_type(_row, column);

    /// <summary>A whole number of the row.</summary>
    internal long Long(int column) => Native.sqlite3_column_int64(_row, column);

    /// <summary>A whole number of the row, or null.</summary>
    internal long? OptionalLong(int column) => Type(column) == raw.SQLITE_NULL ? null : Long(column);

    /// <summary>A day of the row, stored as ISO text.</summary>
    internal DateOnly Date(int column) => Columns.Date(Utf8(column));

    /// <summary>A day of the row, or null.</summary>
    internal DateOnly? OptionalDate(int column) => Utf8(column) is { IsEmpty: false } text ? Columns.Date(text) : null;

    /// <summary>A text of the row as it is stored; empty for none. Good until the next row.</summary>
    internal unsafe ReadOnlySpan<byte> Utf8(int column) =>
        new((void*)Native.sqlite3_column_text(_row, column), Native.sqlite3_column_bytes(_row, column));

    /// <summary>Bytes of the row. Good until the next row.</summary>
    internal unsafe ReadOnlySpan<byte> Bytes(int column) =>
        new((void*)Native.sqlite3_column_blob(_row, column), Native.sqlite3_column_bytes(_row, column));

    /// <summary>A text of the row; empty for none.</summary>
    internal string? OptionalText(int column) => Type(column) == raw.SQLITE_NULL ? null : Text(column);

    internal string Text(int column) => Encoding.UTF8.GetString(Utf8(column));

    public void Dispose()
    {
        if (_back is null)
        {
            End();
            return;
        }

        Reset();
        _ = Native.sqlite3_clear_bindings(_row);
        _back(this);
    }

    /// <summary>Disposes of it, whoever keeps it.</summary>
    internal void End() => _statement.Dispose();

    // The same functions of the same library: guarding the handle at each call costs more than reading a value, and a
    // row of a book has ten. The statement lives until it is disposed of here. A value that was read or given is got in
    // nanoseconds, so the collector need not be told of these calls.
    private static class Native
    {
        private const string Library = "e_sqlite3";

        /// <summary>SQLITE_TRANSIENT: the library takes a copy of a text.</summary>
        internal const nint Copied = -1;

        [DllImport(Library, ExactSpelling = true)]
        internal static extern int sqlite3_reset(IntPtr statement);

        [DllImport(Library, ExactSpelling = true)]
        internal static extern int sqlite3_clear_bindings(IntPtr statement);

        [DllImport(Library, ExactSpelling = true)]
        [SuppressGCTransition]
        internal static extern int sqlite3_bind_int64(IntPtr statement, int place, long value);

        [DllImport(Library, ExactSpelling = true)]
        [SuppressGCTransition]
        internal static extern int sqlite3_bind_null(IntPtr statement, int place);

        [DllImport(Library, ExactSpelling = true)]
        internal static extern unsafe int sqlite3_bind_text(
            IntPtr statement,
            int place,
            byte* text,
            int bytes,
            nint copied
        );

        [DllImport(Library, ExactSpelling = true)]
        internal static extern unsafe int sqlite3_bind_blob(
            IntPtr statement,
            int place,
            byte* first,
            int bytes,
            nint copied
        );

        [DllImport(Library, ExactSpelling = true)]
        internal static extern int sqlite3_step(IntPtr statement);

        [DllImport(Library, ExactSpelling = true)]
        [SuppressGCTransition]
        internal static extern long sqlite3_column_int64(IntPtr statement, int column);

        [DllImport(Library, ExactSpelling = true)]
        [SuppressGCTransition]
        internal static extern IntPtr sqlite3_column_text(IntPtr statement, int column);

        [DllImport(Library, ExactSpelling = true)]
        [SuppressGCTransition]
        internal static extern IntPtr sqlite3_column_blob(IntPtr statement, int column);

        [DllImport(Library, ExactSpelling = true)]
        [SuppressGCTransition]
        internal static extern int sqlite3_column_type(IntPtr statement, int column);

        [DllImport(Library, ExactSpelling = true)]
        [SuppressGCTransition]
        internal static extern int sqlite3_column_bytes(IntPtr statement, int column);
    }

    private void Check(int outcome)
    {
        if (outcome != raw.SQLITE_OK)
            SqliteException.ThrowExceptionForRC(outcome, _database);
    }
}
