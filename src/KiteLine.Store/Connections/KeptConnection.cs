using System.Data;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// A connection that keeps the statements it has prepared: to read and plan a statement takes SQLite longer than to
/// carry most of them out, and a posting makes some sixty.
/// </summary>
internal sealed class KeptConnection(string connection) : SqliteConnection(connection)
{
    // Several times what all requests together ask; beyond it, texts with figures in them are many.
    private const int Most = 500;

    /// <summary>
    /// Marks a text that lists figures and so does not come again: one of a thousand accounts would keep a hundred
    /// kilobytes.
    /// </summary>
    internal const string Once = " /* once */";

    private readonly Dictionary<string, Kept> _kept = new(StringComparer.Ordinal);

    // Those that are not in use, of the few texts that are asked for in this way.
    private readonly Dictionary<string, Prepared> _prepared = new(StringComparer.Ordinal);

    /// <summary>How many it keeps.</summary>
    internal int Keeps => _kept.Count;

    private sealed class Kept(SqliteCommand command)
    {
        internal SqliteCommand Command { get; } = command;

        internal SqliteDataReader? Reader { get; set; }
    }

    /// <inheritdoc/>
    public override SqliteCommand CreateCommand() => new Asked(this) { CommandTimeout = DefaultTimeout };

    /// <summary>A statement that is given back when it is disposed of.</summary>
    internal Prepared Prepared(string sql) =>
        _prepared.Remove(sql, out var free)
            ? free
            : new(
                this,
                sql,
                back =>
                {
                    // Two of the same were in use at once, or the connection was closed meanwhile.
                    if (State != ConnectionState.Open || !_prepared.TryAdd(sql, back))
                        back.End();
                }
            );

    /// <inheritdoc/>
    public override void Close()
    {
        foreach (var free in _prepared.Values)
            free.End();
        _prepared.Clear();
        base.Close();
    }

    /// <summary>Ends what was not read to its end, before somebody else takes the connection.</summary>
    internal void Rest()
    {
        foreach (var kept in _kept.Values)
        {
            kept.Reader?.Dispose();
            kept.Reader = null;
            kept.Command.Transaction = null;
            kept.Command.Parameters.Clear();
        }
    }

    private SqliteDataReader? Execute(Asked asked, CommandBehavior behavior)
    {
        // A pragma may act when it is prepared and not when it is carried out.
        if (
            asked.CommandText.StartsWith("PRAGMA", StringComparison.OrdinalIgnoreCase)
            || asked.CommandText.Contains(Once, StringComparison.Ordinal)
        )
            return null;
        if (!_kept.TryGetValue(asked.CommandText, out var kept))
        {
            if (_kept.Count >= Most)
                Drop();
            _kept.Add(asked.CommandText, kept = new(new() { Connection = this, CommandText = asked.CommandText }));
        }
        // Its rows are still being read: this time it is prepared anew.
        else if (kept.Reader is { IsClosed: false })
            return null;

        kept.Command.Transaction = asked.Transaction;
        kept.Command.CommandTimeout = asked.CommandTimeout;
        kept.Command.Parameters.Clear();
        foreach (SqliteParameter parameter in asked.Parameters)
        {
            // A name without its mark is looked for once as it is, in vain, before it is found.
            if (parameter.ParameterName is [not '@', ..] name)
                parameter.ParameterName = $"@{name}";
            kept.Command.Parameters.Add(parameter);
        }

        return kept.Reader = kept.Command.ExecuteReader(behavior);
    }

    private void Drop()
    {
        foreach (var (text, kept) in _kept)
            if (kept.Reader is not { IsClosed: false })
            {
                kept.Command.Dispose();
                _kept.Remove(text);
            }
    }

    private sealed class Asked : SqliteCommand
    {
        private readonly KeptConnection _by;
        private bool _prepared;

        internal Asked(KeptConnection by)
        {
            _by = by;
            Connection = by;
            Transaction = by.Transaction;
        }

        // Whoever prepares a statement keeps it.
        public override void Prepare()
        {
            base.Prepare();
            _prepared = true;
        }

        public override SqliteDataReader ExecuteReader(CommandBehavior behavior) =>
            (_prepared ? null : _by.Execute(this, behavior)) ?? base.ExecuteReader(behavior);

        protected override void Dispose(bool disposing)
        {
            base.Dispose(disposing);
            // Else the connection would remember each command that was ever made, as long as it is open.
            if (disposing)
                Connection = null;
        }
    }
}
