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
}
