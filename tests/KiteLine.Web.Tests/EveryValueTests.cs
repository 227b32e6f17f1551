using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Every single value of the books is changed by somebody who has the file, with the guards put back after it, and each
/// change is found.
/// </summary>
public sealed class EveryValueTests(SharedDemo shared)
{
    private DemoApp Demo => shared.App;

    // What nobody gains by, with why.
    private static readonly Dictionary<string, string> Others = new(StringComparer.Ordinal)
    {
        ["SchemaVersions"] = "names the scripts that were run; the tables themselves are compared",
        ["session"] = "ends by itself within hours; whoever signs in is in the audit log",
        ["request"] = "answers that are told again for thirty days; what they did is in the books",
        ["find_queue"] = "what waits to be found",
        ["find_progress"] = "what waits to be found",
        ["found_account"] = "the index of the find box; what it names is compared with the record",
        ["found_document"] = "the index of the find box; what it names is compared with the record",
        ["seal"] = "the chain itself, by SealTests",
        ["seal_run"] = "the chain itself, by SealTests",
        ["seal_record"] = "the chain itself, by SealTests",
        ["run_account"] = "what a run comes to, which is worked out anew before it is posted",
        ["unsealed"] = "what stands in it is named",
    };

    private static readonly string[] Uncounted = ["company.changes"];

    private static string[] Tables(SqliteConnection c) =>
        [
            .. c.Query<string>(
                    "SELECT name FROM sqlite_schema WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE "
                        + "'found\\_%\\_%' ESCAPE '\\' ORDER BY name"
                )
                .Where(t => !Others.ContainsKey(t)),
        ];

    [Fact]
    public void Every_table_is_sealed_or_need_not_be()
    {
        var known = SealedTables
            .Runs.Select(r => r.Rows.Table)
            .Concat(SealedTables.Records.Select(r => r.Table))
            // Projections, which are worked out anew.
            .Append("open_order")
            .Append("journal_day")
            .Append("to_bank")
            .Append("slip_receipt")
            .ToHashSet();
        Demo.Desk.Books.Read(Tables).Where(t => !known.Contains(t)).ShouldBeEmpty();
    }

    [Fact]
    public void A_change_of_any_single_value_is_found()
    {
        using var copy = Copy();
        Verifier.Check(copy).ShouldBeEmpty();
        var guards = copy.Query<string>("SELECT sql FROM sqlite_schema WHERE type = 'trigger'").AsList();
        foreach (var name in copy.Query<string>("SELECT name FROM sqlite_schema WHERE type = 'trigger'").AsList())
            copy.Execute($"DROP TRIGGER {name}");
        var tables = Tables(copy);
        var empty = tables.Where(t => copy.ExecuteScalar<long>($"SELECT count(*) FROM {t}") == 0).ToArray();
        var changed = 0;
        var missed = new List<string>();
        foreach (var (table, column, type) in tables.Except(empty).SelectMany(t => Columns(copy, t)))
        {
            changed++;
            copy.Execute("BEGIN TRANSACTION");
            Change(copy, table, column, type);
            if (SealCheck.OffRows(copy, t => t.Table == table).Count == 0)
            {
                // What is not sealed is worked out anew; that the guards are gone must not be what is found.
                foreach (var guard in guards)
                    copy.Execute(guard);
                if (!Verifier.Findings(copy).Any())
                    missed.Add($"{table}.{column}");
            }

            copy.Execute("ROLLBACK TRANSACTION");
        }

        // Tables of which the demo has no row get one of any values.
        foreach (var table in empty)
            Fill(copy, table);
        Sealing.Anew(new Tx(Demo.Desk.Books, Actor.Program("tests"), copy));
        SealCheck.OffRows(copy, _ => true).ShouldBeEmpty();
        foreach (var (table, column, type) in empty.SelectMany(t => Columns(copy, t)))
        {
            changed++;
            copy.Execute("BEGIN TRANSACTION");
            Change(copy, table, column, type);
            if (SealCheck.OffRows(copy, t => t.Table == table).Count == 0)
                missed.Add($"{table}.{column}");
            copy.Execute("ROLLBACK TRANSACTION");
        }

        missed.ShouldBeEmpty();
        changed.ShouldBeGreaterThan(262);
    }

    private SqliteConnection Copy()
    {
        // In memory, and without foreign keys, so that keys can be changed too.
        var copy = new SqliteConnection("Data Source=:memory:;Foreign Keys=false");
        copy.Open();
        using var from = Demo.Desk.Books.Connect();
        from.BackupDatabase(copy);
        copy.Execute("PRAGMA ignore_check_constraints = ON");
        return copy;
    }

    private static IEnumerable<(string Table, string Column, string Type)> Columns(
        SqliteConnection copy,
        string table
    ) =>
        copy.Query<(string Name, string Type)>("SELECT name, type FROM pragma_table_info(@table)", new { table })
            .Where(c => !Uncounted.Contains($"{table}.{c.Name}"))
            .Select(c => (table, c.Name, c.Type));

    private static void Change(SqliteConnection copy, string table, string column, string type)
    {
        var other = type switch
        {
            "INTEGER" => $"coalesce(\"{column}\", 0) + 1000003",
            "BLOB" => $"CAST(coalesce(\"{column}\", x'') || x'00' AS BLOB)",
            _ => $"coalesce(\"{column}\", '') || ' '",
        };
        var key = copy.ExecuteScalar<string>(
            "SELECT group_concat('\"' || name || '\"') FROM pragma_table_info(@table) WHERE pk > 0",
            new { table }
        );
        copy.Execute(
                $"UPDATE {table} SET \"{column}\" = {other} WHERE ({key}) = (SELECT {key} FROM {table} ORDER BY {key} LIMIT 1)"
            )
            .ShouldBe(1, $"{table}.{column}");
    }

    private static void Fill(SqliteConnection copy, string table)
    {
        var values = Columns(copy, table)
            .Select(c =>
                c.Type == "INTEGER" ? "1"
                : c.Type == "BLOB" ? "x'01'"
                : "'x'"
            );
        copy.Execute($"INSERT INTO {table} VALUES ({string.Join(", ", values)})");
    }
}
