using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class GroupPositionTests
{
    private static readonly DateOnly Day = Given.Day("2026-03-16");

    // Accounts that owe 1.00, 2.00, 3.00, …
    private static GroupPosition Of(int accounts) =>
        GroupPosition.On(
            new(1, "Fleet", Given.Gbp, "", [new(DateOnly.MinValue, Given.Pounds(100_000))], []),
            Day,
            Enumerable
                .Range(1, accounts)
                .Select(i =>
                    AccountPosition.On(
                        new()
                        {
                            Id = i,
                            Code = $"A{i:D3}",
                            Name = $"Account {i}",
                            Currency = Given.Gbp,
                            Items = [new(ItemKind.Invoice, Day, Day, i * 100, 0, 1)],
                            Movements = [new(Day, i * 100)],
                        },
                        Day,
                        Given.Positions()
                    )
                ),
            new(Given.Gbp, [], 7, RoundingRule.HalfAwayFromZero)
        );

    [Fact]
    public void Workings_of_a_small_group_list_each_account()
    {
        var workings = Of(100).Workings();
        workings.Count(w => w.Label.StartsWith('A')).ShouldBe(100);
        workings.ShouldNotContain(w => w.Label.Contains("others"));
        workings.Single(w => w.Label == "Exposure").Value.ShouldBe("5050.00");
    }

    [Fact]
    public void Workings_of_a_large_group_list_the_largest_and_the_rest_in_one_line_and_still_add_up()
    {
        // 1 to 150 make 11,325; the largest hundred, 51 to 150, make 10,050.
        var workings = Of(150).Workings();
        workings.Count(w => w.Label.StartsWith('A')).ShouldBe(100);
        workings.Where(w => w.Label.StartsWith('A')).Sum(w => decimal.Parse(w.Value)).ShouldBe(10_050m);
        workings.Single(w => w.Label == "50 others").Value.ShouldBe("1275.00");
        workings.Single(w => w.Label == "Exposure").Value.ShouldBe("11325.00");
    }
}
