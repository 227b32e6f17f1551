using Shouldly;
using Xunit;
using static KiteLine.Core.Tests.Given;

namespace KiteLine.Core.Tests;

/// <summary>Twelve months of one account, by figures worked out by hand.</summary>
public class AccountOverviewTests
{
    private static readonly DateOnly Today = Day("2026-03-16");

    private static BookMovement Moved(string day, long minor, MovementKind kind, string? posted = null) =>
        new(Day(day), minor, Day(posted ?? day), kind);

    // 1,000.00 of 10 February, paid on 2 March, 20 days after and 10 before it is due; 600.00 of 1 March is open.
    private static BookAccount Account() =>
        new()
        {
            Id = 1,
            Code = "A",
            Name = "A",
            Currency = Gbp,
            Limits =
            [
                new(Day("2025-01-01"), Pounds(2000), Day("2025-01-01")),
                new(Day("2026-02-20"), Pounds(3000), Day("2026-02-20")),
            ],
            Items =
            [
                new(ItemKind.Invoice, Day("2026-02-10"), Day("2026-03-12"), 100_000, 0, 2),
                new(ItemKind.Invoice, Day("2026-03-01"), Day("2026-03-10"), 60_000, 2, 1),
                new(ItemKind.Receipt, Day("2026-03-02"), Day("2026-03-02"), -100_000, 3, 2),
            ],
            Movements =
            [
                Moved("2026-02-10", 100_000, MovementKind.Opened),
                Moved("2026-03-02", -100_000, MovementKind.Cash),
                Moved("2026-03-01", 60_000, MovementKind.Opened),
                Moved("2026-03-02", -100_000, MovementKind.Opened),
                Moved("2026-03-02", 100_000, MovementKind.Cash),
            ],
            ItemIds = [1, 2, 3],
            Promises =
            [
                new(1, Day("2026-02-25"), Day("2026-03-02"), 90_000, null),
                new(2, Day("2026-03-03"), Day("2026-03-06"), 60_000, null),
                new(3, Day("2026-03-10"), Day("2026-03-20"), 60_000, null),
                new(4, Day("2026-03-11"), Day("2026-03-12"), 10_000, Day("2026-03-12")),
            ],
        };

    private static AccountOverview Of(DateOnly since) =>
        AccountOverview.Of(Account(), Today, since, _ => Positions(), RoundingRule.HalfAwayFromZero, [], []);

    [Fact]
    public void Each_month_has_its_sales_exposure_limit_and_days_to_pay()
    {
        var months = Of(Day("2026-02-28")).Months;
        months.Count.ShouldBe(12);
        (months[0].From, months[^1].To).ShouldBe((Day("2025-04-01"), Today));
        string Told(OverviewMonth m) => $"{m.Sales} {m.Exposure} {m.Limit} {m.Paid} {m.DaysToPay} {m.DaysLate}";
        Told(months[^2]).ShouldBe("1000.00 1000.00 3000.00 0.00  ");
        Told(months[^1]).ShouldBe("600.00 600.00 3000.00 1000.00 20 -10");
        Told(months[^3]).ShouldBe("0.00 0.00 2000.00 0.00  ");
    }

    [Fact]
    public void It_is_compared_with_the_day_on_which_its_limit_was_last_looked_at()
    {
        AccountOverview.LastLook(Account(), Today).ShouldBe(Day("2026-02-20"));
        AccountOverview.LastLook(Account() with { Limits = [] }, Today).ShouldBe(Today.AddDays(-90));
        var o = Of(Day("2026-02-20"));
        (o.Then.Exposure, o.Now.Exposure, o.Then.Overdue, o.Now.Overdue).ShouldBe((100_000, 60_000, 0, 60_000));
    }

    /// <summary>One kept by 1,000.00 that came, one broken, one waiting, one taken back: 900.00 of 2,100.00 came.</summary>
    [Fact]
    public void Promises_are_told_by_what_became_of_them() =>
        Of(Day("2026-02-28")).Promises.ShouldBe(new(1, 0, 1, 1, 1, 0, 0, 210_000, 90_000));
}
