using System.Security.Cryptography;
using System.Text;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Binds what a transaction wrote to the chain of seals, as the last thing that it does: whoever changes a row later by
/// other means than this program is named by verify.
/// </summary>
internal static class Sealing
{
    /// <summary>Whether something was touched by another program since the last commit; it is never sealed.</summary>
    internal static HashSet<(string Of, string Key)> TouchedByOthers(SqliteConnection connection) =>
        [.. connection.Query<(string, string)>("SELECT of, key FROM unsealed")];

    /// <summary>Seals what the transaction wrote; nothing where it wrote nothing that is sealed.</summary>
    /// <param name="byOthers">What stays unsealed.</param>
    internal static void Close(Tx tx, HashSet<(string Of, string Key)> byOthers)
    {
        var connection = tx.Connection;
        using var reader = new SealReader(connection);
        var runs = new List<SealedRun>();
        foreach (var (of, last, grown) in Grown(connection))
        {
            var table = SealedTables.Runs.First(r => r.Rows.Of == of);
            var taken = tx.Sealed.Where(r => r.Of == of).ToArray();
            // What was digested while it was written is good only where it is just what came in.
            if (Follow(taken, last + 1, grown))
                runs.AddRange(taken);
            else
                Runs(reader, table.Rows, last + 1, grown, runs);
        }

        var touched = connection
            .Query<(string Of, string Key)>("SELECT of, key FROM unsealed ORDER BY of, key")
            .Where(t => !byOthers.Contains(t))
            .ToList();
        if (runs.Count == 0 && touched.Count == 0)
            return;
        var tables = SealedTables.Records.ToDictionary(t => t.Of, StringComparer.Ordinal);
        var records = new List<SealedRecord>(touched.Count);
        foreach (var of in touched.GroupBy(t => t.Of, t => t.Key))
            Records(reader, tables[of.Key], [.. of], records);
        Append(connection, tx.Now, anew: false, runs, records);
        if (byOthers.Count == 0)
            connection.Execute("DELETE FROM unsealed");
        else
            connection.Execute(
                "DELETE FROM unsealed WHERE of = @Of AND key = @Key",
                touched.Select(t => new { t.Of, t.Key })
            );
    }

    /// <summary>
    /// Seals everything as it stands: books that were made before there were seals, or that were brought up to date.
    /// </summary>
    internal static void Anew(Tx tx)
    {
        var connection = tx.Connection;
        using var reader = new SealReader(connection);
        var runs = new List<SealedRun>();
        foreach (var run in SealedTables.Runs)
            Runs(reader, run.Rows, 1, connection.ExecuteScalar<long>(Most(run.Grows)), runs);
        var records = new List<SealedRecord>();
        foreach (var table in SealedTables.Records)
            Records(reader, table, connection.Query<string>(table.Keys).AsList(), records);
        records.Sort(InOrder);
        Append(connection, tx.Now, anew: true, runs, records);
        connection.Execute("DELETE FROM unsealed");
    }

    /// <summary>The hash that a seal must carry.</summary>
    /// <param name="runs">In the order of their names and keys, as <paramref name="records"/> are.</param>
    internal static string Hash(
        long id,
        bool anew,
        string at,
        string prior,
        IEnumerable<SealedRun> runs,
        IEnumerable<SealedRecord> records
    )
    {
        using var digest = new ContentDigest();
        digest.Number(id);
        digest.Number(anew ? 1 : 0);
        digest.Text(Encoding.UTF8.GetBytes(at));
        digest.Text(Encoding.UTF8.GetBytes(prior));
        foreach (var run in runs)
        {
            digest.Text(Encoding.UTF8.GetBytes(run.Of));
            digest.Number(run.First);
            digest.Number(run.Last);
            digest.Bytes(run.Digest);
            if (run.Marks is { } marks)
                digest.Bytes(marks);
        }

        foreach (var record in records)
        {
            digest.Text(Encoding.UTF8.GetBytes(record.Of));
            digest.Text(Encoding.UTF8.GetBytes(record.Key));
            digest.Bytes(record.Digest);
        }

        return Convert.ToHexStringLower(digest.Finish());
    }

    private static void Append(
        SqliteConnection connection,
        string at,
        bool anew,
        List<SealedRun> runs,
        List<SealedRecord> records
    )
    {
        runs.Sort(InOrder);
        var (last, prior) =
            connection.QueryFirstOrDefault<(long, string)?>("SELECT id, hash FROM seal ORDER BY id DESC LIMIT 1")
            ?? (0, "");
        var id = last + 1;
        connection.Execute(
            "INSERT INTO seal (id, anew, at, prior_hash, hash) VALUES (@id, @anew, @at, @prior, @hash)",
            new
            {
                id,
                anew,
                at,
                prior,
                hash = Hash(id, anew, at, prior, runs, records),
            }
        );
        using var addRun = new Prepared(
            connection,
            "INSERT INTO seal_run (of, last, seal_id, first, digest, marks) VALUES (?1, ?2, ?3, ?4, ?5, ?6)"
        );
        addRun.Bind(3, id);
        foreach (var run in runs)
        {
            addRun.Bind(1, run.Of);
            addRun.Bind(2, run.Last);
            addRun.Bind(4, run.First);
            addRun.BindBytes(5, run.Digest);
            addRun.BindBytes(6, run.Marks);
            addRun.Run();
        }

        using var addRecord = new Prepared(
            connection,
            "INSERT INTO seal_record (seal_id, of, key, digest) VALUES (?1, ?2, ?3, ?4)"
        );
        addRecord.Bind(1, id);
        foreach (var record in records)
        {
            addRecord.Bind(2, record.Of);
            addRecord.Bind(3, record.Key);
            addRecord.BindBytes(4, record.Digest);
            addRecord.Run();
        }
    }

    // The runs that have grown beyond what is sealed of them, asked for in one go.
    private static List<(string Of, long Last, long Grown)> Grown(SqliteConnection connection) =>
        [.. connection.Query<(string, long, long)>(GrownSql)];

    private static readonly string GrownSql =
        "SELECT * FROM ("
        + string.Join(
            " UNION ALL ",
            SealedTables.Runs.Select(r =>
                $"SELECT '{r.Rows.Of}' of, (SELECT coalesce(max(last), 0) FROM seal_run WHERE of = '{r.Rows.Of}') last, "
                + $"({Most(r.Grows)}) grown"
            )
        )
        + ") WHERE grown > last";

    private static string Most(string table) => $"SELECT coalesce(max(id), 0) FROM {table}";

    private static void Runs(SealReader reader, SealedTable table, long first, long last, List<SealedRun> runs)
    {
        for (var from = first; from <= last; from += SealedRun.Most)
        {
            var to = Math.Min(last, from + SealedRun.Most - 1);
            var (digest, marks) = reader.Of(table, from, to);
            runs.Add(new(table.Of, from, to, digest, marks));
        }
    }

    private static void Records(SealReader reader, SealedTable table, List<string> keys, List<SealedRecord> records)
    {
        // So many that going through the whole table is quicker; only identifiers become that many.
        const int Many = 1000;
        if (keys.Count < Many || !keys.TrueForAll(k => long.TryParse(k, out _)))
            records.AddRange(keys.Select(key => new SealedRecord(table.Of, key, reader.Of(table, key))));
        else
        {
            var digests = reader.OfMany(table, keys);
            records.AddRange(keys.Select(key => new SealedRecord(table.Of, key, digests[key])));
        }
    }

    private static bool Follow(SealedRun[] runs, long first, long last)
    {
        foreach (var run in runs)
        {
            if (run.First != first)
                return false;
            first = run.Last + 1;
        }

        return runs.Length > 0 && first == last + 1;
    }

    private static int InOrder(SealedRun a, SealedRun b) =>
        string.CompareOrdinal(a.Of, b.Of) is var of and not 0 ? of : a.First.CompareTo(b.First);

    private static int InOrder(SealedRecord a, SealedRecord b) =>
        string.CompareOrdinal(a.Of, b.Of) is var of and not 0 ? of : string.CompareOrdinal(a.Key, b.Key);
}
