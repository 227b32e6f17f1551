using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>Connections are used again with the statements they prepared; nobody may notice.</summary>
public sealed class KeptConnectionTests : IDisposable
{
    private const string Codes = "SELECT code FROM account WHERE code <> 'PEL01' ORDER BY code";
    private readonly TestBooks _t = new();

    public KeptConnectionTests()
    {
        foreach (var code in new[] { "AAA", "BBB", "CCC" })
            _t.Write(tx => AccountStore.Open(tx, new($"Customer {code}", Code: code)));
    }

    public void Dispose() => _t.Dispose();

    [Fact]
    public void The_same_statement_is_asked_while_its_rows_are_still_being_read() =>
        _t
            .Books.Read(c =>
                c.Query<string>(Codes, buffered: false)
                    .SelectMany(a => c.Query<string>(Codes, buffered: false).Select(b => a[..1] + b[..1]))
                    .ToArray()
            )
            .ShouldBe(["AA", "AB", "AC", "BA", "BB", "BC", "CA", "CB", "CC"]);

    [Fact]
    public void Rows_that_were_not_read_to_their_end_keep_nobody_from_the_books()
    {
        _t.Books.Read(c => c.Query<string>(Codes, buffered: false).First()).ShouldBe("AAA");
        _t.Books.Read(c =>
            {
                // Left open, as by a caller who forgets it.
                var reader = c.ExecuteReader(Codes);
                reader.Read();
                return reader.GetString(0);
            })
            .ShouldBe("AAA");
        _t.Write(tx => AccountStore.Open(tx, new("Customer DDD", Code: "DDD")));
        _t.Books.Read(c => c.Query<string>(Codes)).ShouldBe(["AAA", "BBB", "CCC", "DDD"]);
    }

    [Fact]
    public void A_value_given_once_is_never_used_for_the_next()
    {
        const string One = "SELECT code FROM account WHERE code = @code";
        string? Of(object? values) => _t.Books.Read(c => c.QueryFirstOrDefault<string>(One, values));
        Of(new { code = "BBB" }).ShouldBe("BBB");
        Of(new { code = "CCC" }).ShouldBe("CCC");
        Of(new { code = (string?)null }).ShouldBeNull();
        Should.Throw<InvalidOperationException>(() => Of(null)).Message.ShouldContain("@code");
        Of(new { code = "AAA" }).ShouldBe("AAA");
    }

    [Fact]
    public void What_failed_half_way_is_undone_and_the_next_sees_nothing_of_it()
    {
        Should.Throw<RefusedException>(() =>
            _t.Write<int>(tx =>
            {
                AccountStore.Open(tx, new("Customer DDD", Code: "DDD"));
                tx.Connection.Query<string>(Codes, buffered: false).First().ShouldBe("AAA");
                throw new RefusedException("x", "No.");
            })
        );
        _t.Books.Read(c => c.Query<string>(Codes)).ShouldBe(["AAA", "BBB", "CCC"]);
        _t.Write(tx => tx.Connection.Query<string>(Codes).Count()).ShouldBe(3);
    }

    [Fact]
    public void A_statement_is_read_anew_when_its_table_is_another()
    {
        const string All = "SELECT * FROM kept_test";
        using var other = new SqliteConnection($"Data Source={_t.Books.Path}");
        other.Open();
        other.Execute("CREATE TABLE kept_test (a); INSERT INTO kept_test VALUES (1)");
        string[] Columns() =>
            _t.Books.Read(c =>
            {
                using var reader = c.ExecuteReader(All);
                return Enumerable.Range(0, reader.FieldCount).Select(reader.GetName).ToArray();
            });
        Columns().ShouldBe(["a"]);
        other.Execute("ALTER TABLE kept_test ADD COLUMN b");
        Columns().ShouldBe(["a", "b"]);
        other.Execute("DROP TABLE kept_test");
    }

    [Fact]
    public void Very_many_different_statements_are_not_all_kept() =>
        _t
            .Books.Read(c => Enumerable.Range(0, 2_000).Sum(i => c.ExecuteScalar<long>($"SELECT {i}")))
            .ShouldBe(1_999_000);

    /// <summary>A list of accounts makes a text of its own, which would be kept for nothing.</summary>
    [Fact]
    public void What_lists_accounts_is_not_kept() =>
        _t.Books.Read(c =>
        {
            var accounts = BookLoader.Load(c).Select(a => a.Id).ToArray();
            BookLoader.Load(c, accounts[..1]);
            var kept = ((KeptConnection)c).Keeps;
            kept.ShouldBeGreaterThan(0);
            for (var i = 2; i <= accounts.Length; i++)
                BookLoader.Load(c, accounts[..i]).Length.ShouldBe(i);
            ((KeptConnection)c).Keeps.ShouldBe(kept);
            return 0;
        });

    [Fact]
    public async Task Readers_at_once_do_not_share_one()
    {
        var sums = await Task.WhenAll(
            Enumerable
                .Range(0, 40)
                .Select(i =>
                    Task.Run(
                        () =>
                            _t.Books.Read(c =>
                                c.Query<long>("SELECT id + @i FROM account WHERE code <> 'PEL01'", new { i }).Sum()
                            ),
                        TestContext.Current.CancellationToken
                    )
                )
        );
        var ids = _t.Books.Read(c => c.ExecuteScalar<long>("SELECT sum(id) FROM account WHERE code <> 'PEL01'"));
        sums.ShouldBe(Enumerable.Range(0, 40).Select(i => ids + (3 * i)));
    }
}
