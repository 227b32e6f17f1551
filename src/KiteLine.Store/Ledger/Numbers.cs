using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Document numbers in series without gaps: a posting that is rolled back gives its number back.</summary>
internal static class Numbers
{
    internal static string Next(Tx tx, CompanySettings settings, DocumentSeries series)
    {
        using var next = Prepared.Kept(
            tx.Connection,
            "INSERT INTO number_series VALUES (?1, 2) ON CONFLICT (name) DO UPDATE SET next = next + 1 RETURNING next - 1"
        );
        next.Bind(1, $"{series}");
        var number = next.RunForValue();
        return settings.NumberingOf(series).Write(number);
    }

    /// <summary>
    /// The next number of a series that no document of its kind has: a company may have brought in documents with numbers
    /// that look like its own.
    /// </summary>
    internal static string NextFree(Tx tx, CompanySettings settings, ItemKind kind)
    {
        while (true)
        {
            var number = Next(tx, settings, DocumentNumbering.Of(kind));
            if (Holder(tx.Connection, kind, number) is null)
                return number;
        }
    }

    /// <summary>
    /// Refuses a number that a document of the kind has already, on any account and whatever the letter case; documents
    /// that were reversed leave theirs free.
    /// </summary>
    /// <exception cref="RefusedException">Names the account that has it.</exception>
    /// <param name="except">A posting whose number is free, since it is reversed by the same step; null for none.</param>
    internal static void RefuseTaken(
        SqliteConnection connection,
        Account account,
        ItemKind kind,
        string number,
        long? except = null
    )
    {
        if (Holder(connection, kind, number, except) is not { } of)
            return;
        throw new RefusedException(
            "number",
            of == account.Code
                ? $"The account has a document ‘{number}’ already."
                : $"The account {of} has a document ‘{number}’ of this kind already; numbers are unique in the company."
        );
    }

    // The code of the account that has a standing document of the kind with this number. The database compares letters of
    // ASCII alone without their case; others are asked for in both.
    private static string? Holder(SqliteConnection connection, ItemKind kind, string number, long? except = null)
    {
        using var query = Prepared.Kept(
            connection,
            """
            SELECT a.code FROM document d JOIN account a ON a.id = d.account_id
            WHERE d.number COLLATE NOCASE IN (?1, ?2, ?3) AND d.kind = ?4 AND d.entry_id IS NOT ?5
                AND NOT EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = d.id) LIMIT 1
            """
        );
        query.Bind(1, number);
        query.Bind(2, number.ToUpperInvariant());
        query.Bind(3, number.ToLowerInvariant());
        query.Bind(4, (long)kind);
        query.Bind(5, except);
        return query.Next() ? query.Text(0) : null;
    }

    /// <summary>The number that each series gives next.</summary>
    internal static IReadOnlyDictionary<DocumentSeries, long> Upcoming(SqliteConnection connection)
    {
        var known = connection
            .Query<(string Name, long Next)>("SELECT name, next FROM number_series")
            .ToDictionary(s => s.Name, s => s.Next, StringComparer.Ordinal);
        return Enum.GetValues<DocumentSeries>().ToDictionary(s => s, s => known.GetValueOrDefault($"{s}", 1));
    }

    /// <summary>Lets a series go on from a higher number; one that was given is never given again.</summary>
    /// <exception cref="RefusedException">The number is not above those given.</exception>
    internal static void GoOnFrom(Tx tx, DocumentSeries series, long next)
    {
        var now = Upcoming(tx.Connection)[series];
        if (next == now)
            return;
        if (next < now)
            throw new RefusedException(
                $"numbering.{char.ToLowerInvariant($"{series}"[0])}{$"{series}"[1..]}.next",
                $"Numbers up to {now - 1} may have been given already; go on from {now} or a higher number."
            );
        tx.Connection.Execute(
            "INSERT INTO number_series VALUES (@name, @next) ON CONFLICT (name) DO UPDATE SET next = excluded.next",
            new { name = $"{series}", next }
        );
    }

    /// <summary>
    /// Which revision of the document the next of this number is: 1, or one more when those before were reversed; null
    /// when one stands.
    /// </summary>
    internal static long? Revision(SqliteConnection connection, long accountId, string number)
    {
        using var query = Prepared.Kept(
            connection,
            """
            SELECT count(*), coalesce(sum(NOT EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = d.id)), 0)
            FROM document d WHERE d.account_id = ?1 AND d.number = ?2
            """
        );
        query.Bind(1, accountId);
        query.Bind(2, number);
        query.Next();
        var (all, standing) = (query.Long(0), query.Long(1));
        return standing == 0 ? all + 1 : null;
    }
}
