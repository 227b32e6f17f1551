using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class MonthlyMethodTests
{
    private static readonly Item Invoice = Given.Invoice("INV-1", 1000, "2025-12-11", "2026-01-10");

    private static LateChargePolicy Policy(MonthsCounted months, int wait = 0) =>
        new()
        {
            Method = ChargeMethod.Monthly,
            Monthly = new(1.5m, months),
            DayCount = DayCount.Of("act/365f"),
            WaitDays = wait,
        };

    [Theory]
    [InlineData(MonthsCounted.Started, "2026-01-10", "0.00")]
    [InlineData(MonthsCounted.Started, "2026-01-11", "15.00")]
    [InlineData(MonthsCounted.Started, "2026-02-10", "15.00")]
    [InlineData(MonthsCounted.Started, "2026-02-11", "30.00")]
    [InlineData(MonthsCounted.Full, "2026-02-09", "0.00")]
    [InlineData(MonthsCounted.Full, "2026-02-10", "15.00")]
    [InlineData(MonthsCounted.Full, "2026-03-10", "30.00")]
    public void A_month_is_charged_on_its_first_day_or_on_its_last(
        MonthsCounted months,
        string through,
        string total
    ) => Given.Charge(Invoice, Policy(months), Given.Day(through)).Total.ToString().ShouldBe(total);

    [Fact]
    public void A_payment_lowers_only_the_months_that_begin_after_it()
    {
        var paid = Invoice with
        {
            Movements = [.. Invoice.Movements, Given.Moved(MovementKind.Cash, "2026-02-20", -400)],
        };
        Given
            .Charge(paid, Policy(MonthsCounted.Started), Given.Day("2026-03-16"))
            .Segments.Select(s => s.Amount)
            .ShouldBe([15m, 15m, 9m]);
    }

    [Fact]
    public void Charging_through_one_day_and_then_on_is_charging_through_the_last()
    {
        var (whole, first) = (Given.Day("2026-05-20"), Given.Day("2026-03-02"));
        foreach (var months in Enum.GetValues<MonthsCounted>())
        {
            var before = Given.Charge(Invoice, Policy(months), first).Total;
            var after = Given
                .Charge(Invoice with { Raised = [new(5, first, first, before, Policy(months))] }, Policy(months), whole)
                .Total;
            (before + after).ShouldBe(Given.Charge(Invoice, Policy(months), whole).Total);
        }
    }

    [Fact]
    public void Months_run_from_a_day_that_some_of_them_lack()
    {
        var late = Given.Invoice("INV-2", 1000, "2026-01-01", "2026-01-31");
        Given
            .Charge(late, Policy(MonthsCounted.Started), Given.Day("2026-03-31"))
            .Segments.Select(s => $"{s.From:MM-dd} {s.To:MM-dd}")
            .ShouldBe(["02-01 02-28", "03-01 03-31"]);
    }

    [Fact]
    public void While_the_wait_lasts_nothing_is_charged() =>
        Given.Charge(Invoice, Policy(MonthsCounted.Started, 15), Given.Day("2026-01-25")).Total.IsZero.ShouldBeTrue();
}
