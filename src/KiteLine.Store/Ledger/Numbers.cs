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
