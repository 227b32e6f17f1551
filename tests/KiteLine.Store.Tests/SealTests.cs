using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>What another program does to the books is named, whatever this program does after it.</summary>
public sealed class SealTests : IDisposable
{
    private readonly TestBooks _t = new();

    public SealTests()
    {
        var invoice = _t.Invoice(100, "2026-01-05", 20);
        _t.Pay(60, "2026-02-01", invoice);
        _t.Write(tx => AccountStore.Open(tx, new("Other Customer")));
        _t.Off().ShouldBeEmpty();
    }

    public void Dispose() => _t.Dispose();

    /// <summary>Does something as whoever has the file and a database program, with the guards put back after it.</summary>
    private void ByAnotherProgram(string sql)
    {
        using var other = new SqliteConnection($"Data Source={_t.Path};Pooling=false;Foreign Keys=false");
        other.Open();
        var guards = other
            .Query<(string Name, string Sql)>("SELECT name, sql FROM sqlite_schema WHERE type = 'trigger'")
            .AsList();
        foreach (var (name, _) in guards)
            other.Execute($"DROP TRIGGER {name}");
        other.Execute(sql);
        foreach (var (_, guard) in guards)
            other.Execute(guard);
    }

    [Theory]
    [InlineData("UPDATE account SET name = 'Friend' WHERE id = 1", "account 1: not as it was stored")]
    [InlineData("UPDATE movement SET value_date = '2025-01-01' WHERE seq = 1", "movement 1: not as it was stored")]
    [InlineData(
        "UPDATE movement SET value_date = '2025-01-01' WHERE seq = 2",
        "movement_later 1: not as it was stored"
    )]
    [InlineData("DELETE FROM limit_change WHERE id = 1", "limit_change 1: not as it was stored")]
    [InlineData("DELETE FROM account WHERE id = 2", "account 2: taken away by another program")]
    [InlineData(
        "INSERT INTO api_key (name, role, hash, made_by, made_at) VALUES ('mine', 2, 'x', 'me', '2026-01-01')",
        "api_key 1: put in by another program"
    )]
    [InlineData(
        "INSERT INTO uplift (account_id, from_date, until_date, amount, recorded_on, reason, made_by, made_at) VALUES "
            + "(1, '2026-01-01', '2027-01-01', 100, '2026-01-01', 'x', 'me', '2026-01-01')",
        "uplift 1: put in by another program"
    )]
    [InlineData(
        "UPDATE company SET settings = json_set(settings, '$.name', 'Mine')",
        "company 1: not as it was stored"
    )]
    public void What_another_program_changed_is_named(string sql, string named)
    {
        ByAnotherProgram(sql);
        _t.Off().ShouldContain(row => row.StartsWith(named, StringComparison.Ordinal));
    }

    /// <summary>A run of a thousand rows has one digest; the row that is off is named all the same.</summary>
    [Fact]
    public void The_very_row_is_named_among_a_thousand_that_came_in_together()
    {
        _t.Write(tx =>
        {
            var (account, terms) = (AccountStore.Get(tx.Connection, "PEL01"), PolicyStore.TermsByText(tx, "n/30"));
            Money Gbp(decimal amount) => Money.Exact(amount, account.Currency);
            for (var i = 0; i < 1200; i++)
                PostingStore.Post(
                    tx,
                    account,
                    InvoicePosting.Invoice(
                        $"MANY-{i}",
                        new(2026, 1, 5),
                        new InvoiceAmounts(Gbp(10 + i), Gbp(0), Gbp(0)),
                        terms.Definition.ToTerms(),
                        tx.Rules()
                    ),
                    terms.Id
                );
            return 0;
        });
        _t.Off().ShouldBeEmpty();
        ByAnotherProgram(
            """
            UPDATE document SET reference = 'theirs' WHERE number = 'MANY-700';
            UPDATE item SET due = '2027-01-01' WHERE id = (SELECT id FROM item ORDER BY id LIMIT 1 OFFSET 900);
            UPDATE journal_line SET amount = amount + 1 WHERE entry_id = (SELECT entry_id FROM document WHERE number =
                'MANY-3') AND line = 0;
            """
        );
        long One(string sql) => _t.Books.Read(c => c.ExecuteScalar<long>(sql));
        var (document, item, entry) = (
            One("SELECT id FROM document WHERE number = 'MANY-700'"),
            One("SELECT id FROM item ORDER BY id LIMIT 1 OFFSET 900"),
            One("SELECT entry_id FROM document WHERE number = 'MANY-3'")
        );
        const string Said = "not as it was stored; a value was changed, or a row put in or taken away";
        _t.Off()
            .Where(row => row.EndsWith(Said, StringComparison.Ordinal))
            .ShouldBe(
                [$"document {document}: {Said}", $"item {item}: {Said}", $"journal_line {entry}: {Said}"],
                ignoreOrder: true
            );
    }

    [Fact]
    public void It_is_still_named_after_this_program_changed_the_same_record()
    {
        using (var other = new SqliteConnection($"Data Source={_t.Path};Pooling=false"))
        {
            other.Open();
            other.Execute("UPDATE account SET name = 'Friend' WHERE id = 1");
        }

        _t.Off().ShouldContain("account 1: was changed by another program");
        _t.Write(tx =>
            tx.Connection.Execute("UPDATE account SET owner = 'Ann', version = version + 1 WHERE id IN (1, 2)")
        );
        _t.Off().ShouldBe(["account 1: not as it was stored", "account 1: was changed by another program"]);
    }

    [Fact]
    public void A_refused_change_leaves_nothing_unsealed()
    {
        Should.Throw<RefusedException>(() =>
            _t.Write<int>(tx =>
            {
                tx.Connection.Execute("UPDATE account SET owner = 'Ann' WHERE id = 1");
                throw new RefusedException("owner", "No.");
            })
        );
        _t.Off().ShouldBeEmpty();
    }

    [Theory]
    [InlineData("UPDATE seal SET at = '2020-01-01' WHERE id = 2", "seals: 2 of 2020-01-01 does not fit the chain")]
    [InlineData("DELETE FROM seal WHERE id = 3", "seals: 3 to 3 are missing")]
    [InlineData("UPDATE seal_run SET digest = zeroblob(32) WHERE of = 'entry' AND first = 1", "seals: ")]
    [InlineData("DELETE FROM seal_record WHERE of = 'company'", "seals: ")]
    [InlineData("DELETE FROM seal; DELETE FROM seal_run; DELETE FROM seal_record", "seals: there are none")]
    public void A_chain_that_was_changed_is_named(string sql, string named)
    {
        ByAnotherProgram(sql);
        _t.Off().ShouldContain(row => row.StartsWith(named, StringComparison.Ordinal));
    }

    [Fact]
    public void A_chain_that_was_made_anew_is_named_by_a_head_that_was_kept()
    {
        var head = _t.Books.Read(Backup.Head).Head;
        ByAnotherProgram(
            "UPDATE limit_change SET amount = 99999999 WHERE id = 1; DELETE FROM seal; DELETE FROM seal_run; DELETE FROM "
                + "seal_record; DELETE FROM unsealed"
        );
        // Whoever has this program as well can have it seal what was changed.
        _t.Write(tx =>
        {
            Sealing.Anew(tx);
            return 0;
        });
        _t.Off().ShouldBeEmpty();
        _t.Books.Read(c => Verifier.Check(c, head)).ShouldHaveSingleItem().ShouldContain("cut or written anew");
    }

    [Fact]
    public void A_commit_that_changes_nothing_of_the_books_is_not_sealed()
    {
        var head = _t.Books.Read(Backup.Head).Head;
        _t.Write(tx => tx.Connection.Execute("UPDATE company SET changes = changes"));
        _t.Books.Read(Backup.Head).Head.ShouldBe(head);
        _t.Invoice(1, "2026-03-02");
        _t.Books.Read(Backup.Head).Head.ShouldNotBe(head);
    }
}
