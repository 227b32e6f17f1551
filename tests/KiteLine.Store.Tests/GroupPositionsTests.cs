using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

public sealed class GroupPositionsTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    [Fact]
    public void A_group_that_cannot_be_added_up_does_not_keep_the_others_from_being_seen()
    {
        _t.Write(tx =>
        {
            // A rate that is wrong by far: ten of the largest amounts are more yen than can be held.
            RateStore.Add(tx, [new(Currency.Of("JPY"), TestBooks.Today, 0.000001m, Source: "typed")]);
            GroupStore.Add(tx, "Beyond", Currency.Of("JPY"));
            GroupStore.Add(tx, "Windlass", null);
            AccountStore.Open(tx, new("Capstan", Code: "CAP01", GroupName: "Windlass"));
            tx.Connection.Execute("UPDATE account SET group_name = 'Beyond' WHERE code = 'PEL01'");
            tx.TouchAll();
            return 0;
        });
        for (var i = 0; i < 10; i++)
            _t.Invoice(Bounds.Amount, "2026-03-16", number: $"BIG-{i}");
        using var snapshots = new SnapshotKeeper(_t.Books);
        var book = snapshots.Current;
        Should
            .Throw<RefusedException>(() => book.PositionOf(book.Groups["Beyond"], TestBooks.Today))
            .Message.ShouldContain("the group ‘Beyond’ are worth more JPY than can be added up");
        book.GroupPositions(TestBooks.Today).Select(g => g.Group.Name).ShouldBe(["Windlass"]);
    }

    /// <summary>
    /// PEL01 owes 100 since 16 February. It belonged to Windlass, to none from 10 March, to Capstan from 16 March on.
    /// </summary>
    [Fact]
    public void On_a_past_day_a_group_has_the_members_it_had_then()
    {
        void On(string day, string group) =>
            _t.Write(tx =>
            {
                var company = CompanyStore.Get(tx.Connection);
                CompanyStore.Change(
                    tx,
                    company.Settings with
                    {
                        PinnedBusinessDate = DateOnly.Parse(day, null),
                    },
                    company.Version,
                    "another day"
                );
                var account = AccountStore.Get(tx.Connection, "PEL01");
                return AccountStore.Change(tx, account with { GroupName = group }, "moved");
            });
        On("2026-02-16", "Windlass");
        _t.Invoice(100, "2026-02-16");
        using var snapshots = new SnapshotKeeper(_t.Books);
        On("2026-03-10", "");
        On("2026-03-16", "Harbour");
        On("2026-03-16", "Capstan");
        var book = snapshots.Current;
        string Of(string group, string day) =>
            $"{book.PositionOf(book.Groups[group], DateOnly.Parse(day, null)).Exposure.Amount:0.00}";
        string[] Lines(string day) =>
            [
                .. Ageing
                    .Of(book.Accounts, DateOnly.Parse(day, null), book.Settings.Buckets(), new(AgeingKind.Group))
                    .Select(l => $"{l.Key} {(decimal)l.Amount / 100:0.00}"),
            ];
        (Of("Windlass", "2026-03-09"), Of("Capstan", "2026-03-09")).ShouldBe(("100.00", "0.00"));
        (Of("Windlass", "2026-03-10"), Of("Capstan", "2026-03-15")).ShouldBe(("0.00", "0.00"));
        (Of("Windlass", "2026-03-16"), Of("Capstan", "2026-03-16")).ShouldBe(("0.00", "100.00"));
        Of("Harbour", "2026-03-16").ShouldBe("0.00");
        Lines("2026-03-09").ShouldBe(["Windlass 100.00"]);
        Lines("2026-03-12").ShouldBe([" 100.00"]);
        Lines("2026-03-16").ShouldBe(["Capstan 100.00"]);
        // A book that is read again says the same.
        using var again = new SnapshotKeeper(_t.Books);
        book = again.Current;
        (Of("Windlass", "2026-03-09"), Of("Capstan", "2026-03-16")).ShouldBe(("100.00", "100.00"));
        _t.Off().ShouldBeEmpty();
    }

    /// <summary>
    /// PEL01 owes 100 in Windlass. That belonged to no group, to Harbour from 10 March, to Coast from 16 March on.
    /// </summary>
    [Fact]
    public void On_a_past_day_a_group_has_the_groups_below_it_that_it_had_then()
    {
        void Day(string day) =>
            _t.Write(tx =>
            {
                var company = CompanyStore.Get(tx.Connection);
                var settings = company.Settings with { PinnedBusinessDate = DateOnly.Parse(day, null) };
                return CompanyStore.Change(tx, settings, company.Version, "another day");
            });
        void Into(string day, string parent)
        {
            Day(day);
            _t.Write(tx =>
            {
                var group = GroupStore.Get(tx.Connection, "Windlass");
                return GroupStore.Change(tx, group.Name, group.Currency, parent, group.Version, "moved");
            });
        }

        Day("2026-02-16");
        _t.Write(tx =>
        {
            foreach (var group in new[] { "Windlass", "Harbour", "Coast" })
                GroupStore.Add(tx, group, null);
            var account = AccountStore.Get(tx.Connection, "PEL01");
            return AccountStore.Change(tx, account with { GroupName = "Windlass" }, "moved");
        });
        _t.Invoice(100, "2026-02-16");
        Into("2026-03-10", "Harbour");
        Into("2026-03-16", "Coast");
        using var snapshots = new SnapshotKeeper(_t.Books);
        var book = snapshots.Current;
        string Of(string day) =>
            string.Join(
                ' ',
                new[] { "Windlass", "Harbour", "Coast" }.Select(g =>
                    $"{book.PositionOf(book.Groups[g], DateOnly.Parse(day, null)).Exposure.Amount:0.00}"
                )
            );
        Of("2026-03-09").ShouldBe("100.00 0.00 0.00");
        Of("2026-03-10").ShouldBe("100.00 100.00 0.00");
        Of("2026-03-15").ShouldBe("100.00 100.00 0.00");
        Of("2026-03-16").ShouldBe("100.00 0.00 100.00");
        _t.Off().ShouldBeEmpty();
    }
}
