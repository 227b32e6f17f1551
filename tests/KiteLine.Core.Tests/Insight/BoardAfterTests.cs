using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// A board that follows a commit by the accounts it touched shows what one made from nothing shows, in every order,
/// under every filter, and adds up to the same.
/// </summary>
public class BoardAfterTests
{
    private static readonly DateOnly Day = Given.Day("2026-03-16");
    private static readonly string[] Names = ["Anchor", "anchor", "Boom", "Cleat", "Davit"];

    // Small ranges, so that many rows are equal in each order.
    private static readonly Gen<Func<int, BookAccount>> AnyState =
        from open in Gen.Int[0, 3]
        from limit in Gen.Int[0, 3]
        from late in Gen.Int[-40, 40]
        from name in Gen.Int[0, Names.Length - 1]
        from state in Gen.Enum<AccountState>()
        from euro in Gen.Bool
        select (Func<int, BookAccount>)(i => Account(i, open * 100, limit * 100, late, Names[name], state, euro));

    private static readonly BoardSort[] Sorts = [.. Enum.GetValues<BoardSort>().Where(s => s != BoardSort.Change)];

    [Fact]
    public void Any_changes_leave_the_board_as_one_made_from_nothing() =>
        Gen.Select(AnyState.Array[1, 30], Gen.Select(Gen.Int[0, 29], AnyState).Array[0, 6].Array[1, 4])
            .Sample(
                (first, commits) =>
                {
                    var accounts = first.Select((make, i) => make(i)).ToArray();
                    var board = Board.Of(accounts, Day, Given.Positions());
                    foreach (var commit in commits)
                    {
                        Ask(board);
                        accounts = [.. accounts];
                        foreach (var (at, make) in commit.Where(c => c.Item1 < first.Length))
                            accounts[at] = make(at);
                        board = board.After(accounts);
                    }

                    Shown(board).ShouldBe(Shown(Board.Of(accounts, Day, Given.Positions())));
                },
                iter: 500
            );

    [Fact]
    public void An_account_that_is_opened_stands_in_its_place()
    {
        BookAccount[] before = [Simple(0, 300), Simple(2, 100)];
        var board = Board.Of(before, Day, Given.Positions());
        Ask(board);
        var after = board.After([before[0], Simple(1, 200), before[1]]);
        after.Find(BoardSort.Code, false, [], "").Select(p => p.Exposure).ShouldBe([300, 200, 100]);
        after.Find(BoardSort.Exposure, false, [], "").Select(p => p.Exposure).ShouldBe([100, 200, 300]);
        after.Totals.Single().Exposure.ShouldBe(600);
    }

    [Fact]
    public void Only_what_was_replaced_is_worked_out()
    {
        BookAccount[] before = [Simple(0, 300), Simple(1, 100)];
        var board = Board.Of(before, Day, Given.Positions());
        var after = board.After([before[0], Simple(1, 500)]);
        after.Rows[0].ShouldBeSameAs(board.Rows[0]);
        after.Rows[1].Exposure.ShouldBe(500);
        board.Rows[1].Exposure.ShouldBe(100);
    }

    // Orders and texts are made when they are first asked for, and from then on follow.
    private static void Ask(Board board)
    {
        foreach (var sort in Sorts)
            board.Find(sort, false, [], "an");
    }

    private static string Shown(Board board) =>
        string.Join(
            '\n',
            [
                .. Sorts.SelectMany(s =>
                    ((bool[])[false, true]).Select(down =>
                        $"{s} {down}: {string.Join(' ', board.Find(s, down, [], "an").Select(p => p.Account.Code))}"
                    )
                ),
                .. BoardFilter.Names.Select(f =>
                    $"{f}: {board.Counts[f]} "
                    + $"{string.Join(' ', board.Find(BoardSort.Code, false, [f], "").Select(p => p.Account.Code))}"
                ),
                .. board.Totals.Select(t => $"{t}"),
            ]
        );

    private static BookAccount Simple(int i, long open) => Account(i, open, 1000, 0, "Same", AccountState.Open, false);

    private static BookAccount Account(
        int i,
        long open,
        long limit,
        int late,
        string name,
        AccountState state,
        bool euro
    )
    {
        var currency = Currency.Of(euro ? "EUR" : "GBP");
        return new()
        {
            Id = i + 1,
            Code = $"A{i:D2}",
            Name = name,
            Currency = currency,
            Limits = [new(DateOnly.MinValue, Money.FromMinor(limit, currency))],
            States = [new(DateOnly.MinValue, state)],
            Items = [new(ItemKind.Invoice, Day.AddDays(-60), Day.AddDays(-late), open, 0, 1)],
            Movements = [new(Day.AddDays(-60), open)],
        };
    }
}
