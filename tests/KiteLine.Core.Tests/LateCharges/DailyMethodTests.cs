using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class DailyMethodTests
{
    private static (Money Total, List<ChargeSegment> Segments) Charge(
        LateChargePolicy policy,
        decimal amount,
        string due,
        string through,
        string? chargedThrough = null,
        params (string Date, decimal Amount)[] changes
    )
    {
        var segments = new List<ChargeSegment>();
        DailyMethod.Accrue(
            policy,
            amount,
            [.. changes.Select(c => new BalanceChange(Given.Day(c.Date), c.Amount))],
            Given.Day(due),
            chargedThrough is null ? null : Given.Day(chargedThrough),
            Given.Day(through),
            segments
        );
        return (DailyMethod.Total(policy, segments, Given.Gbp, RoundingRule.HalfAwayFromZero), segments);
    }

    [Theory]
    [InlineData("2026-03-10", "0.00")]
    [InlineData("2026-03-11", "3.29")]
    [InlineData("2026-03-12", "6.58")]
    [InlineData("2027-03-10", "1200.00")]
    public void Paying_on_the_due_date_costs_nothing_and_one_day_late_costs_one_day(string through, string total) =>
        Charge(Given.Policy(12), 10_000, "2026-03-10", through).Total.ToString().ShouldBe(total);

    /// <summary>
    /// Source: UK government guidance on late commercial payments (values from memory): 1,000 at 8.5 % is 85 a year,
    /// 0.23 a day when each day is rounded down, 11.50 for 50 days. The rule here rounds once, so 50 days are 11.64.
    /// </summary>
    [Fact]
    public void Rounding_once_differs_from_rounding_each_day_as_in_the_guidance()
    {
        Charge(Given.Policy(8.5m), 1000, "2026-01-01", "2027-01-01").Total.ToString().ShouldBe("85.00");
        var aDay = Math.Floor(1000 * 8.5m / 365) / 100;
        (aDay * 50).ShouldBe(11.50m);
        Charge(Given.Policy(8.5m), 1000, "2026-01-01", "2026-02-20").Total.ToString().ShouldBe("11.64");
    }

    /// <summary>
    /// Common practice: 12 % on items more than 15 days overdue charges a net-30 invoice from its 46th day.
    /// </summary>
    [Theory]
    [InlineData(CountFrom.DueDate, 45, 0)]
    [InlineData(CountFrom.DueDate, 46, 16)]
    [InlineData(CountFrom.EndOfWait, 45, 0)]
    [InlineData(CountFrom.EndOfWait, 46, 1)]
    public void The_wait_is_free_and_counted_after_all_only_where_the_policy_says_so(
        CountFrom countFrom,
        int dayOfInvoice,
        int charged
    )
    {
        var invoice = new DateOnly(2026, 1, 1);
        var policy = Given.Policy(12, 15) with { CountFrom = countFrom };
        var segments = new List<ChargeSegment>();
        DailyMethod.Accrue(policy, 1000, [], invoice.AddDays(30), null, invoice.AddDays(dayOfInvoice), segments);
        segments.Sum(s => s.Days).ShouldBe(charged);
    }

    [Fact]
    public void A_payment_still_bears_its_own_day_and_a_new_rate_holds_from_its_day_on()
    {
        var policy = Given.Policy(10) with { Rates = [new(new(2000, 1, 1), 10), new(new(2026, 1, 21), 5)] };
        var (_, segments) = Charge(policy, 1000, "2026-01-01", "2026-01-31", null, ("2026-01-11", -400));
        segments
            .Select(s => $"{s.From:dd}-{s.To:dd} {s.Days} {s.Balance} {s.AnnualRate}")
            .ShouldBe(["02-11 10 1000 10", "12-20 9 600 10", "21-31 11 600 5"]);
        segments.Sum(s => s.Fraction).ShouldBe(30 / 365m, 1e-25m);
    }

    [Fact]
    public void Bands_part_the_balance()
    {
        var policy = Given.Policy(12) with { Bands = [new(5000, 10), new(8000, 6)] };
        var (total, segments) = Charge(policy, 9000, "2026-01-01", "2027-01-01");
        segments.Select(s => $"{s.Balance}@{s.AnnualRate}").ShouldBe(["5000@12", "3000@10", "1000@6"]);
        total.ToString().ShouldBe("960.00");
        Charge(policy, 4000, "2026-01-01", "2027-01-01").Segments.Count.ShouldBe(1);
    }

    /// <summary>
    /// Common practice: a minimum of 0.50, since a few pence are not worth raising, and a cap of 20 a run.
    /// </summary>
    [Theory]
    [InlineData(10, BelowMinimum.Raise, "0.50")]
    [InlineData(10, BelowMinimum.Skip, "0.00")]
    [InlineData(100_000, BelowMinimum.Raise, "20.00")]
    [InlineData(1_000, BelowMinimum.Raise, "9.86")]
    public void Minimum_and_maximum_apply_to_the_rounded_total(int amount, BelowMinimum below, string total)
    {
        var policy = Given.Policy(12) with { Minimum = 0.50m, BelowMinimum = below, Maximum = 20 };
        Charge(policy, amount, "2026-01-01", "2026-01-31").Total.ToString().ShouldBe(total);
    }

    [Fact]
    public void A_minimum_is_no_charge_on_nothing()
    {
        var policy = Given.Policy(12) with { Minimum = 0.50m };
        Charge(policy, 1000, "2026-01-31", "2026-01-31").Total.IsZero.ShouldBeTrue();
        Charge(policy, 0, "2026-01-01", "2026-01-31").Total.IsZero.ShouldBeTrue();
    }

    [Fact]
    public void Days_before_the_first_rate_bear_nothing()
    {
        var policy = Given.Policy() with { Rates = [new(new(2026, 1, 11), 12)] };
        var (_, segments) = Charge(policy, 1000, "2026-01-01", "2026-01-20");
        segments.Where(s => s.AnnualRate == 12).Sum(s => s.Days).ShouldBe(10);
        segments.Where(s => s.AnnualRate == 0).Sum(s => s.Amount).ShouldBe(0);
    }

    [Fact]
    public void A_balance_in_the_customers_favour_bears_nothing() =>
        Charge(Given.Policy(), 1000, "2026-01-01", "2026-02-01", null, ("2026-01-05", -1500))
            .Segments.ShouldHaveSingleItem()
            .Days.ShouldBe(4);

    [Fact]
    public void A_span_costs_what_its_parts_cost_where_the_day_count_is_additive() =>
        Gen.Select(
                Gen.Int[0, 2].Select(n => new[] { "act/365f", "act/360", "act/act-isda" }[n]),
                Gen.Int[1, 900_000],
                Gen.Int[1, 300],
                Gen.Int[1, 300],
                Gen.Select(Gen.Int[-40, 500], Gen.Int[1, 20_000]).Array[0, 4]
            )
            .Sample(
                (dayCount, minor, first, second, paid) =>
                {
                    var policy = Given.Policy(11.75m, 0, dayCount) with
                    {
                        Rates =
                        [
                            new(new(2000, 1, 1), 11.75m),
                            new(new(2024, 7, 1), 9.5m),
                            new(new(2025, 1, 1), 10.25m),
                        ],
                        Bands = [new(1000, 7)],
                    };
                    var due = new DateOnly(2024, 2, 1);
                    BalanceChange[] changes =
                    [
                        .. paid.Select(p => new BalanceChange(due.AddDays(p.Item1), -p.Item2 / 100m))
                            .OrderBy(c => c.Date),
                    ];
                    decimal Sum(DateOnly? after, DateOnly through)
                    {
                        var segments = new List<ChargeSegment>();
                        DailyMethod.Accrue(policy, minor / 100m, changes, due, after, through, segments);
                        return segments.Sum(s => s.Amount);
                    }

                    var (middle, end) = (due.AddDays(first), due.AddDays(first + second));
                    (Sum(null, middle) + Sum(middle, end)).ShouldBe(Sum(null, end), 1e-15m);
                }
            );

    [Fact]
    public void Every_day_after_the_start_is_charged_once() =>
        Gen.Select(Given.AnyDay, Gen.Int[1, 700], Gen.Int[0, 700].Array[0, 5])
            .Sample(
                (due, days, paid) =>
                {
                    var segments = new List<ChargeSegment>();
                    BalanceChange[] changes = [.. paid.Order().Select(p => new BalanceChange(due.AddDays(p), -1))];
                    DailyMethod.Accrue(Given.Policy(), 1000, changes, due, null, due.AddDays(days), segments);
                    segments.Sum(s => s.Days).ShouldBe(days);
                    segments[0].From.ShouldBe(due.AddDays(1));
                    segments[^1].To.ShouldBe(due.AddDays(days));
                    foreach (var (a, b) in segments.Zip(segments.Skip(1)))
                        b.From.ShouldBe(a.To.AddDays(1));
                }
            );

    [Fact]
    public void Workings_show_each_segment_the_sum_and_what_changed_it()
    {
        var policy = Given.Policy(12) with { Maximum = 5 };
        var (total, segments) = Charge(policy, 1000, "2026-01-01", "2026-01-31");
        var lines = ChargeWorkings
            .Of(policy, segments, total, RoundingRule.HalfAwayFromZero, subject: "INV-1")
            .ToArray();
        lines[0].Formula.ShouldBe("1000.00 × 12 % × 30 / 365");
        lines[1].Value.ShouldBe("9.86");
        lines[2].Label.ShouldContain("maximum");
        lines[2].Value.ShouldBe("5.00");
    }

    [Fact]
    public void Policies_that_make_no_sense_name_the_field()
    {
        string[] Fields(LateChargePolicy policy) => [.. policy.Problems().Select(p => p.Field)];
        Fields(Given.Policy()).ShouldBeEmpty();
        Fields(Given.Policy() with { Rates = [] }).ShouldBe(["rates"]);
        Fields(Given.Policy() with { Rates = [new(new(2026, 1, 1), 8), new(new(2026, 1, 1), 9)] })
            .ShouldBe(["rates[1].from"]);
        Fields(Given.Policy(-1)).ShouldBe(["rates[0].annualRate"]);
        Fields(Given.Policy() with { Bands = [new(5, 8), new(4, 9)] }).ShouldBe(["bands[1].above"]);
        Fields(Given.Policy() with { WaitDays = -1, Minimum = 3, Maximum = 2 }).ShouldBe(["waitDays", "minimum"]);
    }

    [Fact]
    public void Charges_and_fees_bear_no_charge_of_their_own()
    {
        var fee = Given.Invoice("FEE-1", 12, "2026-01-01", "2026-01-08") with { Kind = ItemKind.ReminderFee };
        Given.Charge(fee, Given.Policy(), Given.Day("2026-03-16")).Total.IsZero.ShouldBeTrue();
    }

    [Fact]
    public void A_reversed_payment_leaves_the_charge_as_if_it_had_never_been()
    {
        var plain = Given.Invoice("INV-1", 1000, "2025-12-01", "2026-01-01");
        var reversed = plain with
        {
            Movements =
            [
                .. plain.Movements,
                Given.Moved(MovementKind.Cash, "2026-01-10", -700),
                Given.Moved(MovementKind.Cash, "2026-01-10", 700),
            ],
        };
        var day = Given.Day("2026-03-16");
        Given.Charge(reversed, Given.Policy(), day).Total.ShouldBe(Given.Charge(plain, Given.Policy(), day).Total);
    }

    /// <summary>
    /// Source: Directive 2011/7/EU, articles 2 and 3 (reference rate of the half-year plus at least 8 points); the
    /// reference rates are made up. Each half-year's rate holds for its own days.
    /// </summary>
    [Fact]
    public void A_reference_rate_with_a_margin_follows_the_half_years()
    {
        decimal[] reference = [2.5m, 3.15m, 2.15m];
        var policy = Given.Policy() with
        {
            Rates =
            [
                .. reference.Select(
                    (rate, half) => new RateRow(new DateOnly(2025, 1, 1).AddMonths(6 * half), rate + 8)
                ),
            ],
        };
        var (total, segments) = Charge(policy, 10_000, "2025-06-20", "2026-01-10");
        segments.Select(s => $"{s.AnnualRate} {s.Days}").ShouldBe(["10.5 10", "11.15 184", "10.15 10"]);
        total.Amount.ShouldBe(
            Math.Round(
                10_000 * ((10.5m * 10) + (11.15m * 184) + (10.15m * 10)) / 36_500,
                2,
                MidpointRounding.AwayFromZero
            )
        );
    }
}
