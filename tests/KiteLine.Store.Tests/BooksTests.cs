using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

public sealed class BooksTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    [Fact]
    public void Books_of_a_newer_program_are_refused_and_left_alone()
    {
        Raw(
            "INSERT INTO SchemaVersions (ScriptName, Applied) VALUES ('KiteLine.Store.Migrations.9999-later.sql', '2030-01-01')"
        );
        Should.Throw<NewerBooksException>(() => Books.Open(_t.Path)).Message.ShouldContain("newer version");
    }

    [Fact]
    public void Opening_again_keeps_everything()
    {
        var id = _t.Invoice(10, "2026-03-01");
        using var again = Books.Open(_t.Path);
        again.Read(c => c.ExecuteScalar<long>("SELECT open FROM item WHERE id = @id", new { id })).ShouldBe(1000);
    }

    [Theory]
    [InlineData("UPDATE item SET open = open + 1", "open amount: item 1")]
    [InlineData("UPDATE item SET reminder_level = 3", "reminder level: item 1")]
    [InlineData(
        "DROP TRIGGER journal_line_no_update; UPDATE journal_line SET amount = amount + 1 WHERE line = 0",
        "journal: entry"
    )]
    [InlineData(
        "DROP TRIGGER movement_no_update; UPDATE movement SET amount = amount + 1",
        "customers in the journal: entry"
    )]
    [InlineData("DROP TRIGGER audit_no_update; UPDATE audit SET detail = '{}' WHERE id = 2", "audit: row 2")]
    [InlineData("DROP TRIGGER audit_no_delete; DELETE FROM audit WHERE id = 2", "audit: rows 2 to 2 are missing")]
    [InlineData("UPDATE policy SET is_current = 0", "policies: late-charge STD has 0 current versions")]
    [InlineData(
        "PRAGMA foreign_keys = OFF; DROP TRIGGER document_no_delete; DELETE FROM document",
        "foreign key: item row 1"
    )]
    public void Verify_names_each_row_that_is_off(string damage, string named)
    {
        _t.Invoice(100, "2026-03-01");
        _t.Off().ShouldBeEmpty();
        Raw(damage);
        _t.Off().ShouldContain(row => row.StartsWith(named, StringComparison.Ordinal));
    }

    [Fact]
    public void Of_two_people_changing_the_same_policy_the_second_is_told()
    {
        var policy = _t.Books.Read(c => PolicyStore.Find<LateChargePolicy>(c, PolicyKind.LateCharge, "STD"))!;
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.LateCharge,
                "STD",
                "First",
                policy.Definition with
                {
                    WaitDays = 5,
                },
                policy.Version
            )
        );
        Should.Throw<ChangedMeanwhileException>(() =>
            _t.Write(tx =>
                PolicyStore.Save(tx, PolicyKind.LateCharge, "STD", "Second", policy.Definition, policy.Version)
            )
        );
        var versions = _t.Books.Read(c => PolicyStore.Versions<LateChargePolicy>(c, PolicyKind.LateCharge, "STD"));
        versions.Select(v => $"{v.Version} {v.Name} {v.Definition.WaitDays}").ShouldBe(["2 First 5", "1 Standard 0"]);
    }

    [Fact]
    public void Of_two_people_changing_an_account_or_the_company_the_second_is_told()
    {
        var account = _t.Account;
        _t.Write(tx => AccountStore.Change(tx, account with { Owner = "A" }, "handed over"));
        Should.Throw<ChangedMeanwhileException>(() =>
            _t.Write(tx => AccountStore.Change(tx, account with { Owner = "B" }, "handed over"))
        );
        var company = _t.Books.Read(CompanyStore.Get);
        _t.Write(tx => CompanyStore.Change(tx, company.Settings with { Name = "A" }, company.Version));
        Should.Throw<ChangedMeanwhileException>(() =>
            _t.Write(tx => CompanyStore.Change(tx, company.Settings with { Name = "B" }, company.Version))
        );
    }

    [Fact]
    public void Invoices_keep_the_terms_they_were_made_under()
    {
        _t.Write(tx =>
            PolicyStore.Save(tx, PolicyKind.Terms, "HOUSE", "House terms", new TermsDefinition("2/10 n/30"), 0)
        );
        var id = _t.Invoice(100, "2026-03-10", terms: "HOUSE");
        _t.Write(tx =>
            PolicyStore.Save(tx, PolicyKind.Terms, "HOUSE", "House terms", new TermsDefinition("5/10 n/30"), 1)
        );
        _t.Item(id).DiscountOn(TestBooks.Today, RoundingRule.HalfAwayFromZero)!.Amount.ToString().ShouldBe("2.00");
        _t.Item(_t.Invoice(100, "2026-03-10", terms: "HOUSE"))
            .DiscountOn(TestBooks.Today, RoundingRule.HalfAwayFromZero)!
            .Amount.ToString()
            .ShouldBe("5.00");
    }

    [Fact]
    public void A_new_account_starts_from_the_defaults_and_its_limit_holds_on_any_day()
    {
        var opened = _t.Write(tx => AccountStore.Open(tx, new("Harbourside Marquee Hire")));
        (opened.Code, opened.Terms, opened.Currency.Code, opened.LateChargePolicy).ShouldBe(
            ("HAR01", "n/30", "GBP", null)
        );
        var book = _t.Books.Read(c => BookLoader.Load(c, [opened.Id]))[0];
        AccountPosition.On(book, new(2020, 1, 1), TestBooks.Positions).EffectiveLimit.ShouldBe(100_000);
    }

    [Theory]
    [InlineData("", null, null, null, "name")]
    [InlineData("X", "PEL01", null, null, "code")]
    [InlineData("X", "pel01", null, null, "code")]
    [InlineData("X", "no good", null, null, "code")]
    [InlineData("X", null, "2/40 n/30", null, "terms")]
    [InlineData("X", null, "whenever", null, "terms")]
    [InlineData("X", null, null, -1.0, "limit")]
    [InlineData("X", null, null, 1.234, "limit")]
    public void An_account_that_cannot_be_opened_names_the_field(
        string name,
        string? code,
        string? terms,
        double? limit,
        string field
    ) =>
        Should
            .Throw<RefusedException>(() =>
                _t.Write(tx => AccountStore.Open(tx, new(name, code, Terms: terms, Limit: (decimal?)limit)))
            )
            .Problems[0]
            .Field.ShouldBe(field);

    [Fact]
    public void Uplifts_do_not_overlap_and_end_after_they_start()
    {
        var gbp = Currency.Of("GBP");
        void Uplift(int from, int until) =>
            _t.Write(tx =>
            {
                LimitStore.Uplift(
                    tx,
                    _t.Account,
                    Money.Exact(100, gbp),
                    new(2026, 3, from),
                    new(2026, 3, until),
                    "season"
                );
                return 0;
            });
        Uplift(10, 20);
        Should.Throw<RefusedException>(() => Uplift(20, 25)).Message.ShouldContain("10 Mar 2026 to 20 Mar 2026");
        Should.Throw<RefusedException>(() => Uplift(30, 29)).Problems[0].Field.ShouldBe("until");
        Uplift(21, 25);
    }

    [Fact]
    public void Every_change_is_in_the_audit_log_with_who_and_why()
    {
        _t.Write(tx =>
        {
            LimitStore.Change(tx, _t.Account, Money.Exact(7000, Currency.Of("GBP")), TestBooks.Today, "yearly review");
            LimitStore.ChangeState(tx, _t.Account, AccountState.Watch, TestBooks.Today, "slow lately");
            return 0;
        });
        var rows = _t.Books.Read(c => Audit.Of(c, "account:PEL01"));
        rows.Select(r => $"{r.Who} {r.Action} {r.Reason}")
            .ShouldBe(["tester state slow lately", "tester limit yearly review", "tester opened "]);
        rows[1].Detail.ShouldContain("7000.00");
    }

    [Fact]
    public void The_snapshot_follows_own_commits_and_those_of_others()
    {
        using var keeper = new SnapshotKeeper(_t.Books);
        keeper.Current.Accounts.Length.ShouldBe(1);
        _t.Invoice(100, "2026-03-01");
        keeper.Current.Accounts[0].Items.Length.ShouldBe(1);
        using (var other = Books.Open(_t.Path))
            other.Write("other", tx => AccountStore.Open(tx, new("Anchor Street Theatre")));
        keeper.Current.Accounts.Select(a => a.Code).ShouldBe(["ANC01", "PEL01"]);
        _t.Write(tx => AccountStore.Open(tx, new("Moorhen Playgrounds")));
        var kept = keeper.Current;
        kept.Accounts.Select(a => a.Code).ShouldBe(["ANC01", "MOO01", "PEL01"]);
        keeper.Current.ShouldBeSameAs(kept);
        kept.Accounts.Sum(a => a.Movements.Sum(m => m.Minor))
            .ShouldBe(_t.Books.Read(c => c.ExecuteScalar<long>("SELECT sum(amount) FROM movement")));
    }

    [Fact]
    public void What_fails_half_way_leaves_nothing_behind()
    {
        var before = _t.Books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM audit"));
        Should.Throw<InvalidOperationException>(() =>
            _t.Write<int>(tx =>
            {
                AccountStore.Open(tx, new("Half Done"));
                throw new InvalidOperationException("the power went");
            })
        );
        _t.Books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM account")).ShouldBe(1);
        _t.Books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM audit")).ShouldBe(before);
    }

    private void Raw(string sql)
    {
        using var connection = new SqliteConnection($"Data Source={_t.Path};Pooling=False;Foreign Keys=False");
        connection.Open();
        connection.Execute(sql);
    }
}
