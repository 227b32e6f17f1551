using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Reference rate plus margin by half-years, and the fixed sum. The reference rates are made up.</summary>
public class StatutoryInterestTests
{
    private static readonly ReferenceRate Table = new()
    {
        Rates =
        [
            new(Given.Day("2024-12-20"), 4),
            new(Given.Day("2025-06-30"), 3),
            new(Given.Day("2025-07-01"), 2.5m),
            new(Given.Day("2026-02-01"), 9),
        ],
    };

    private static LateChargePolicy Policy(bool fixedForLife, bool dayBefore) =>
        new()
        {
            DayCount = DayCount.Of("act/365f"),
            Reference = new("BASE", 8, fixedForLife, dayBefore),
            ReferenceRates = Table,
        };

    private static string Segments(LateChargePolicy policy, string due, string through) =>
        string.Join(
            "; ",
            Given
                .Charge(Given.Invoice("I", 1000, "2025-01-01", due), policy, Given.Day(through))
                .Segments.Select(s => $"{s.From:yyyy-MM-dd} {s.Days} {s.AnnualRate:0.##}")
        );

    /// <summary>
    /// Source (from memory): UK Late Payment of Commercial Debts (Rate of Interest) Order 2002: base rate on 30 June or
    /// 31 December before the debt became late, fixed.
    /// </summary>
    [Theory]
    [InlineData("2025-06-30", "2026-03-16", "2025-07-01 259 11")]
    [InlineData("2025-06-29", "2026-03-16", "2025-06-30 260 12")]
    [InlineData("2025-12-31", "2026-03-16", "2026-01-01 75 10.5")]
    public void The_half_year_in_which_a_debt_became_late_fixes_its_rate_for_life(
        string due,
        string through,
        string segments
    ) => Segments(Policy(fixedForLife: true, dayBefore: true), due, through).ShouldBe(segments);

    /// <summary>
    /// Source (from memory): Directive 2011/7/EU, article 2(7): the rate on the first day of each half-year, for that
    /// half-year.
    /// </summary>
    [Fact]
    public void Each_half_year_bears_its_own_rate_where_it_is_not_fixed() =>
        Segments(Policy(fixedForLife: false, dayBefore: false), "2025-05-31", "2026-03-16")
            .ShouldBe("2025-06-01 30 12; 2025-07-01 184 10.5; 2026-01-01 75 10.5");

    [Fact]
    public void A_half_year_before_the_table_bears_nothing() =>
        Segments(Policy(fixedForLife: false, dayBefore: false), "2024-05-31", "2025-01-31")
            .ShouldBe("2024-06-01 214 0; 2025-01-01 31 12");

    /// <summary>
    /// Source (from memory): Late Payment of Commercial Debts (Interest) Act 1998, section 5A: 40 below 1,000, 70 below
    /// 10,000, 100 from 10,000 on.
    /// </summary>
    [Theory]
    [InlineData(999.99, "40.00")]
    [InlineData(1000, "70.00")]
    [InlineData(9999.99, "70.00")]
    [InlineData(10_000, "100.00")]
    public void The_fixed_sum_goes_by_the_amount_overdue(decimal amount, string sum)
    {
        var policy = Policy(true, true) with { Compensation = [new(0, 40), new(1000, 70), new(10_000, 100)] };
        var charge = Given.Charge(
            Given.Invoice("I", amount, "2026-01-01", "2026-01-31"),
            policy,
            Given.Day("2026-02-01")
        );
        charge.Compensation.ToString().ShouldBe(sum);
        charge.Total.ShouldBe(charge.Interest + charge.Compensation);
        ChargeWorkings.Of(policy, charge, RoundingRule.HalfAwayFromZero).Last().Value.ShouldBe(charge.Total.ToString());
    }

    [Fact]
    public void The_fixed_sum_is_due_once_and_not_before_the_first_day_late()
    {
        var policy = Policy(true, true) with { Compensation = [new(0, 40)] };
        var item = Given.Invoice("I", 500, "2026-01-01", "2026-01-31");
        Given.Charge(item, policy, Given.Day("2026-01-31")).Total.IsZero.ShouldBeTrue();
        var raised = Given.Charge(item, policy, Given.Day("2026-02-28")).Total;
        var again = Given.Charge(
            item with
            {
                Raised = [new(5, Given.Day("2026-02-28"), Given.Day("2026-02-28"), raised, policy)],
            },
            policy,
            Given.Day("2026-03-16")
        );
        (again.Compensation.IsZero, again.Correction.IsZero).ShouldBe((true, true));
    }

    [Fact]
    public void A_part_paid_before_it_was_late_does_not_count_for_the_fixed_sum()
    {
        var policy = Policy(true, true) with { Compensation = [new(0, 40), new(1000, 70)] };
        var item = Given.Invoice(
            "I",
            1500,
            "2026-01-01",
            "2026-01-31",
            1,
            null,
            Given.Moved(MovementKind.Cash, "2026-01-20", -900)
        );
        Given.Charge(item, policy, Given.Day("2026-03-16")).Compensation.ToString().ShouldBe("40.00");
    }

    [Fact]
    public void A_reference_table_out_of_order_or_beyond_reason_is_named()
    {
        new ReferenceRate { Rates = [] }
            .Problems()
            .ShouldHaveSingleItem()
            .Field.ShouldBe("rates");
        new ReferenceRate { Rates = [Table.Rates[1], Table.Rates[0], new(Given.Day("2026-01-01"), -21)] }
            .Problems()
            .Select(p => p.Field)
            .ShouldBe(["rates[1].from", "rates[2].annualRate"]);
        Table.Problems().ShouldBeEmpty();
        Table.On(Given.Day("2024-12-19")).ShouldBeNull();
    }

    /// <summary>One day of 0.50 at 12 % is 0.0002, rounded to 0.00: no fixed sum with it. After 40 days it is 0.01.</summary>
    [Fact]
    public void The_fixed_sum_comes_with_the_first_interest_above_zero()
    {
        var policy = Given.Policy() with { Compensation = [new(0, 40)] };
        var item = Given.Invoice("I", 0.50m, "2026-01-01", "2026-01-31");
        Given.Charge(item, policy, Given.Day("2026-02-01")).Total.ToString().ShouldBe("0.00");
        var later = Given.Charge(item, policy, Given.Day("2026-03-12"));
        (later.Interest.ToString(), later.Compensation.ToString()).ShouldBe(("0.01", "40.00"));
    }
}
