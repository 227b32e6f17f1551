using Dapper;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>The database itself takes no text that is longer than the program does.</summary>
public sealed class TextBoundsTests : IDisposable
{
    private readonly TestBooks _books = new();

    public void Dispose() => _books.Dispose();

    // Days, times, hashes and codes of a closed set are made by the program.
    private static bool IsMade(string column) =>
        column.EndsWith("_on", StringComparison.Ordinal)
        || column.EndsWith("_at", StringComparison.Ordinal)
        || column.EndsWith("date", StringComparison.Ordinal)
        || column.EndsWith("hash", StringComparison.Ordinal)
        || column.EndsWith("through", StringComparison.Ordinal)
        || column is "at" or "pay_by" or "due" or "currency" or "kind" or "sha256" or "until";

    [Fact]
    public void Every_text_that_somebody_gives_has_a_bound_in_the_database()
    {
        var columns = _books.Books.Read(c =>
            c.Query<(string Table, string Column, string Sql)>(
                    """
                    SELECT t.name, p.name, t.sql FROM sqlite_schema t, pragma_table_info(t.name) p
                    WHERE t.type = 'table' AND p.type = 'TEXT' AND t.name NOT LIKE 'found%' AND t.name NOT LIKE 'find%'
                      AND t.name NOT IN ('SchemaVersions', 'session', 'first_code', 'request', 'number_series')
                      AND t.sql NOT LIKE '%VIRTUAL%'
                    """
                )
                .Where(c => !IsMade(c.Column))
                .ToList()
        );
        columns.Count.ShouldBeGreaterThan(70);
        var bounds = _books.Books.Read(c =>
            c.Query<(string Table, string Sql)>(
                    "SELECT tbl_name, replace(sql, 'NEW.', '') FROM sqlite_schema WHERE name LIKE '%_texts_inserted'"
                )
                .ToDictionary(t => t.Table, t => t.Sql)
        );
        columns
            .Where(c =>
                !bounds.GetValueOrDefault(c.Table, "").Contains($"length({c.Column})", StringComparison.Ordinal)
                && !c.Sql.Contains($"length({c.Column})", StringComparison.Ordinal)
            )
            .ShouldBeEmpty();
    }

    [Theory]
    [InlineData("UPDATE account SET name = @long")]
    [InlineData("UPDATE account SET profile = json_object('a', @long)")]
    [InlineData("INSERT INTO account_group (name, currency, parent) VALUES ('A', 'GBP', @long)")]
    [InlineData("UPDATE company SET settings = json_object('a', @long)")]
    public void A_longer_one_is_refused(string sql)
    {
        _books.Books.Write("tests", tx => AccountStore.Open(tx, new("Pellworm Sail Loft", Limit: 1000)));
        Should
            .Throw<SqliteException>(() =>
                _books.Books.Write("tests", tx => tx.Connection.Execute(sql, new { @long = new string('x', 600_000) }))
            )
            .Message.ShouldContain("longer than it may be");
    }

    [Fact]
    public void So_is_one_of_a_document()
    {
        const string Insert =
            "INSERT INTO document (account_id, entry_id, kind, number, date, net, tax, not_discountable) "
            + "VALUES (1, 1, 0, @number, '2026-03-16', 1, 0, 0)";
        string Refused(int length) =>
            Should
                .Throw<SqliteException>(() =>
                    _books.Books.Write(
                        "tests",
                        tx => tx.Connection.Execute(Insert, new { number = new string('1', length) })
                    )
                )
                .Message;
        Refused(201).ShouldContain("malformed JSON");
        // One that is short enough is refused for want of its entry alone.
        Refused(200).ShouldContain("FOREIGN KEY");
    }
}
