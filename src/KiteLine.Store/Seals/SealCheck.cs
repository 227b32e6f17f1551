using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Holds the books against their seals.</summary>
internal static class SealCheck
{
    private sealed record SealRow(long Id, long Anew, string At, string PriorHash, string Hash);

    /// <summary>What is not as it was sealed, one sentence each that names it.</summary>
    internal static IEnumerable<string> Off(SqliteConnection connection)
    {
        var seals = connection.Query<SealRow>("SELECT id, anew, at, prior_hash, hash FROM seal ORDER BY id").AsList();
        if (seals.Count == 0)
            return ["seals: there are none; the books were written to by another program"];
        var runs = Runs(connection, _ => true).ToLookup(r => r.Seal, r => r.Run);
        var records = Records(connection, _ => true).ToLookup(r => r.Seal, r => r.Record);
        return
        [
            .. Chain(seals, runs, records),
            .. OffRows(connection, _ => true),
            .. connection
                .Query<string>("SELECT of || ' ' || key FROM unsealed ORDER BY of, key")
                .Select(row => $"{row}: was changed by another program"),
        ];
    }

    /// <summary>The rows of some tables that are not as they were sealed.</summary>
    internal static IReadOnlyList<string> OffRows(SqliteConnection connection, Func<SealedTable, bool> which)
    {
        // What was sealed anew stands for all that was sealed before it.
        var since = connection.ExecuteScalar<long>("SELECT coalesce(max(id), 0) FROM seal WHERE anew");
        return
        [
            .. OffRuns(
                connection,
                which,
                Runs(connection, which).Where(r => r.Seal >= since).ToLookup(r => r.Run.Of, r => r.Run)
            ),
            .. OffRecords(
                connection,
                which,
                Records(connection, which).Where(r => r.Seal >= since).Select(r => r.Record)
            ),
        ];
    }

    private static IEnumerable<(long Seal, SealedRun Run)> Runs(
        SqliteConnection connection,
        Func<SealedTable, bool> which
    ) =>
        connection
            .Query<(long Seal, string Of, long First, long Last, byte[] Digest, byte[]? Marks)>(
                "SELECT seal_id, of, first, last, digest, marks FROM seal_run WHERE of IN @names ORDER BY of, first",
                new { names = SealedTables.Runs.Select(r => r.Rows).Where(which).Select(t => t.Of) }
            )
            .Select(r => (r.Seal, new SealedRun(r.Of, r.First, r.Last, r.Digest, r.Marks)));

    private static IEnumerable<(long Seal, SealedRecord Record)> Records(
        SqliteConnection connection,
        Func<SealedTable, bool> which
    ) =>
        connection
            .Query<(long Seal, string Of, string Key, byte[] Digest)>(
                "SELECT seal_id, of, key, digest FROM seal_record WHERE of IN @names ORDER BY seal_id, of, key",
                new { names = SealedTables.Records.Where(which).Select(t => t.Of) }
            )
            .Select(r => (r.Seal, new SealedRecord(r.Of, r.Key, r.Digest)));

    private static IEnumerable<string> Chain(
        List<SealRow> seals,
        ILookup<long, SealedRun> runs,
        ILookup<long, SealedRecord> records
    )
    {
        var (prior, last) = ("", 0L);
        foreach (var seal in seals)
        {
            if (seal.Id != last + 1)
                yield return $"seals: {last + 1} to {seal.Id - 1} are missing";
            if (
                seal.PriorHash != prior
                || seal.Hash != Sealing.Hash(seal.Id, seal.Anew == 1, seal.At, prior, runs[seal.Id], records[seal.Id])
            )
                yield return $"seals: {seal.Id} of {seal.At} does not fit the chain";
            (prior, last) = (seal.Hash, seal.Id);
        }

        var known = seals.Select(s => s.Id).ToHashSet();
        foreach (
            var stray in runs.Select(r => r.Key).Concat(records.Select(r => r.Key)).Where(id => !known.Contains(id))
        )
            yield return $"seals: {stray} is missing, its digests are there";
    }

    private static List<string> OffRuns(
        SqliteConnection connection,
        Func<SealedTable, bool> which,
        ILookup<string, SealedRun> runs
    )
    {
        using var reader = new SealReader(connection);
        var off = new List<string>();
        foreach (var table in SealedTables.Runs.Select(r => r.Rows).Where(which))
        {
            var next = 1L;
            foreach (var sealed_ in runs[table.Of].OrderBy(r => r.First))
            {
                if (sealed_.First != next)
                    off.Add($"{table.Of} {Between(next, sealed_.First - 1)}: the seals of it are missing");
                off.AddRange(OffRun(reader, table, sealed_));
                next = sealed_.Last + 1;
            }

            off.AddRange(Beyond(connection, table, next));
        }

        return off;
    }

    // A run has a thousand rows at most; where many are off, they were changed together and the first say enough.
    private const int MostNamed = 20;

    private static IEnumerable<string> OffRun(SealReader reader, SealedTable table, SealedRun run)
    {
        var (digest, marks) = reader.Of(table, run.First, run.Last);
        if (digest.AsSpan().SequenceEqual(run.Digest))
            return [];
        long[] keys = run.Marks is { } before ? [.. RowMarks.Differing(run.First, before, marks)] : [];
        if (keys.Length == 0)
            return [Off(Between(run.First, run.Last))];
        var named = keys.Take(MostNamed).Select(key => Off($"{key}"));
        return keys.Length <= MostNamed
            ? named
            : named.Append(
                $"{table.Of} {Between(keys[MostNamed], keys[^1])}: {keys.Length - MostNamed} more rows are not as they "
                    + "were stored"
            );

        string Off(string key) =>
            $"{table.Of} {key}: not as it was stored; a value was changed, or a row put in or taken away";
    }

    private static IEnumerable<string> Beyond(SqliteConnection connection, SealedTable table, long next) =>
        connection
            .Query<long>(
                $"SELECT DISTINCT {table.Key} FROM {table.Table} WHERE ({table.Key} >= @next OR {table.Key} < 1)"
                    + $"{table.Where} ORDER BY 1 LIMIT 100",
                new { next }
            )
            .Select(key => $"{table.Of} {key}: put in by another program");

    private static List<string> OffRecords(
        SqliteConnection connection,
        Func<SealedTable, bool> which,
        IEnumerable<SealedRecord> inOrder
    )
    {
        using var reader = new SealReader(connection);
        var off = new List<string>();
        // Of what was sealed several times the last holds.
        var latest = new Dictionary<(string, string), byte[]>();
        foreach (var record in inOrder)
            latest[(record.Of, record.Key)] = record.Digest;
        foreach (var table in SealedTables.Records.Where(which))
        {
            var there = connection.Query<string>(table.Keys).ToHashSet(StringComparer.Ordinal);
            foreach (var key in there.Where(key => !latest.ContainsKey((table.Of, key))))
                off.Add($"{table.Of} {key}: put in by another program");
            foreach (var ((of, key), digest) in latest)
                if (of == table.Of && !reader.Of(table, key).AsSpan().SequenceEqual(digest))
                    off.Add(
                        there.Contains(key)
                            ? $"{of} {key}: not as it was stored"
                            : $"{of} {key}: taken away by another program"
                    );
        }

        return off;
    }

    private static string Between(long first, long last) => first == last ? $"{first}" : $"{first} to {last}";
}
