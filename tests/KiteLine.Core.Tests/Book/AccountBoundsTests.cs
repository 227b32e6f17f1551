using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class AccountBoundsTests
{
    private static readonly DateOnly Day = new(2026, 3, 16);

    private static BookAccount Holding(params long[] movements) =>
        new()
        {
            Id = 1,
            Code = "PEL01",
            Name = "Pellworm",
            Currency = Given.Gbp,
            Items = [new(ItemKind.Invoice, Day, Day, movements.Sum(), 0, movements.Length)],
            Movements = [.. movements.Select(m => new BookMovement(Day, m))],
        };

    [Fact]
    public void Everything_posted_ordered_and_granted_counts_by_its_size()
    {
        var account = Holding(700, -300) with
        {
            // Of an order the largest step, of limits the largest, of uplifts all.
            Orders = [new(1, "SO-1", Day, [new(Day, 50, 0, 0), new(Day, 40, 40, 0)], [])],
            Limits = [new(DateOnly.MinValue, Given.Pounds(0.09m)), new(Day, Given.Pounds(0.05m))],
            Uplifts = [new(Day, Day, Given.Pounds(0.02m)), new(Day, Day, Given.Pounds(0.03m))],
        };
        AccountBounds.Held(account).ShouldBe(700 + 300 + 50 + 9 + 5);
        AccountBounds.Held(Holding()).ShouldBe(0);
    }

    [Fact]
    public void At_the_bound_it_is_held_and_a_penny_beyond_it_is_refused_by_field()
    {
        AccountBounds.RefuseBeyond(Holding(AccountBounds.Most));
        AccountBounds.RefuseBeyond(Holding(AccountBounds.Most - 5, -5));
        var refused = Should.Throw<RefusedException>(() =>
            AccountBounds.RefuseBeyond(Holding(-5, AccountBounds.Most - 4))
        );
        refused.Problems.ShouldHaveSingleItem().Field.ShouldBe("amount");
        refused.Message.ShouldContain("23058430092136939.51 GBP");
        // What leaves it as it was is let through, and what adds to it is not.
        var beyond = Holding(AccountBounds.Most, -AccountBounds.Most);
        AccountBounds.RefuseBeyond(beyond, beyond);
        Should.Throw<RefusedException>(() => AccountBounds.RefuseBeyond(beyond, Holding(AccountBounds.Most)));
    }

    [Fact]
    public void What_accounts_at_their_bound_add_up_to_is_exact_on_the_board()
    {
        var accounts = Enumerable.Range(0, 9).Select(i => Holding(AccountBounds.Most) with { Id = i, Code = $"A{i}" });
        var board = Board.Of([.. accounts], Day, Given.Positions());
        // Nine quarters of what 64 bits hold, worked out by hand.
        var total = board.Totals.ShouldHaveSingleItem();
        new MoneySum(total.Exposure, total.Currency).ToString().ShouldBe("207525870829232455.59");
        new MoneySum(total.Limit, total.Currency).ToString().ShouldBe("0.00");
    }
}
