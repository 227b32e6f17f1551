using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class ForecastTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static BookAccount Account(params (int DueIn, long Open)[] items) =>
        new()
        {
            Id = 1,
            Code = "PEL01",
            Name = "Pellworm Sail Loft",
            Currency = Given.Gbp,
            Terms = Shorthand.Read("n/30"),
            Limits = [new(DateOnly.MinValue, Given.Pounds(1000))],
            Items =
            [
                .. items.Select(
                    (x, n) =>
                        new BookItem(
                            ItemKind.Invoice,
                            Today.AddDays(Math.Min(0, x.DueIn - 30)),
                            Today.AddDays(x.DueIn),
                            x.Open,
                            n,
                            1
                        )
                ),
            ],
            Movements = [.. items.Select(x => new BookMovement(Today.AddDays(Math.Min(0, x.DueIn - 30)), x.Open))],
        };

    private static Forecast Of(BookAccount account, ExposureSettings? settings = null) =>
        Forecast.Of(AccountPosition.On(account, Today, Given.Positions(settings)), settings ?? new(), i => $"INV-{i}");

    private static long On(Forecast forecast, int days) => forecast.Course[days].Exposure;

    // Due on 1 January, paid ten days later.
    private static BookAccount TenDaysLate(BookAccount account) =>
        account with
        {
            Items =
            [
                .. account.Items,
                new(ItemKind.Invoice, new(2025, 12, 2), new(2026, 1, 1), 0, account.Movements.Length, 2),
            ],
            Movements =
            [
                .. account.Movements,
                new(new(2025, 12, 2), 10_000),
                new(new(2026, 1, 11), -10_000, new(2026, 1, 12), MovementKind.Cash),
            ],
        };

    [Fact]
    public void Items_leave_on_their_due_date_plus_the_accounts_own_days_late()
    {
        var punctual = Of(Account((5, 20_000), (20, 30_000)));
        (On(punctual, 0), On(punctual, 4), On(punctual, 5), On(punctual, 20)).ShouldBe((50_000, 50_000, 30_000, 0));
        var late = Of(TenDaysLate(Account((5, 20_000))));
        late.DaysLate.ShouldBe(10);
        (On(late, 14), On(late, 15)).ShouldBe((20_000, 0));
        late.Course.Count.ShouldBe(61);
    }

    [Fact]
    public void What_should_have_been_paid_by_now_is_expected_to_stay()
    {
        var forecast = Of(TenDaysLate(Account((-11, 20_000))));
        On(forecast, 60).ShouldBe(20_000);
        forecast
            .Workings()
            .ShouldContain(w => w.Label == "INV-0" && w.Formula.Contains("expected to stay", StringComparison.Ordinal));
        // Ten days late is usual; the day itself is still to come.
        On(Of(TenDaysLate(Account((-9, 20_000)))), 1).ShouldBe(0);
    }

    [Fact]
    public void A_held_order_comes_in_on_its_delivery_dates_and_passes_the_limit_there()
    {
        var account = Account((50, 60_000)) with
        {
            Orders =
            [
                new(
                    1,
                    "SO-1",
                    Today,
                    [new(Today, 60_000, 0, 0)],
                    [new(Today.AddDays(7), 30_000), new(Today.AddDays(14), 30_000)]
                ),
            ],
        };
        var forecast = Of(account);
        (On(forecast, 6), On(forecast, 7), On(forecast, 14)).ShouldBe((60_000, 90_000, 120_000));
        forecast.PassesOn.ShouldBe(Today.AddDays(14));
        // Each delivery leaves when it is paid by the terms.
        (On(forecast, 37), On(forecast, 44)).ShouldBe((90_000, 60_000));
    }

    [Fact]
    public void An_approved_order_counts_now_and_leaves_when_it_is_paid()
    {
        var forecast = Of(
            Account() with
            {
                Orders =
                [
                    new(
                        1,
                        "SO-1",
                        Today,
                        [new(Today, 60_000, 60_000, 20_000)],
                        [new(Today.AddDays(2), 20_000), new(Today.AddDays(9), 40_000)]
                    ),
                ],
            }
        );
        (On(forecast, 0), On(forecast, 38), On(forecast, 39)).ShouldBe((40_000, 40_000, 0));
        forecast.PassesOn.ShouldBeNull();
    }

    [Fact]
    public void The_end_of_an_uplift_may_be_what_passes_the_limit()
    {
        var account = Account((50, 105_000)) with { Uplifts = [new(Today, Today.AddDays(9), Given.Pounds(100))] };
        Of(account).PassesOn.ShouldBe(Today.AddDays(10));
        Of(account with { Limits = [.. account.Limits, new(Today.AddDays(4), Given.Pounds(900))] })
            .PassesOn.ShouldBe(Today.AddDays(4));
        // Over it already: there is no day on which it will be passed.
        Of(account with { Uplifts = [] }).PassesOn.ShouldBeNull();
    }

    [Fact]
    public void Uncleared_receipts_leave_when_they_clear()
    {
        var settings = new ExposureSettings(UnclearedCount: true);
        var forecast = Of(
            Account() with
            {
                Receipts = [new(1, 11, "RCT-1", Today, Today.AddDays(3), null, 5000, [new(Today, null, 5000, 0)])],
            },
            settings
        );
        (On(forecast, 2), On(forecast, 3)).ShouldBe((5000, 0));
    }

    [Fact]
    public void It_starts_at_the_exposure_and_ends_at_it_less_what_leaves() =>
        Gen.Select(Gen.Int[-60, 90], Gen.Int[1, 100_000])
            .Array[0, 10]
            .Sample(drawn =>
            {
                var account = TenDaysLate(Account([.. drawn.Select(d => (d.Item1, (long)d.Item2))]));
                var forecast = Of(account);
                forecast.Course[0].Exposure.ShouldBe(forecast.Now.Exposure);
                forecast
                    .Course[^1]
                    .Exposure.ShouldBe(drawn.Where(d => d.Item1 + 10 <= 0 || d.Item1 + 10 > 60).Sum(d => d.Item2));
                forecast.Course.Zip(forecast.Course.Skip(1)).ShouldAllBe(p => p.Second.Exposure <= p.First.Exposure);
            });

    [Fact]
    public void The_day_for_a_whole_book_is_the_forecasts_own() =>
        Gen.Select(
                Gen.Select(Gen.Int[-60, 90], Gen.Int[1, 60_000]).Array[0, 6],
                Gen.Int[0, 80_000],
                Gen.Int[0, 50],
                Gen.Int[0, 2000]
            )
            .Sample(
                (drawn, held, uplift, limit) =>
                {
                    var account = Account([.. drawn.Select(d => (d.Item1, (long)d.Item2))]) with
                    {
                        Orders =
                            held % 2 == 0
                                ? []
                                :
                                [
                                    new(
                                        1,
                                        "SO-1",
                                        Today,
                                        [new(Today, held, 0, 0)],
                                        [new(Today.AddDays(held % 40), held)]
                                    ),
                                ],
                        Uplifts =
                            uplift == 0
                                ? []
                                : [new(Today.AddDays(uplift - 25), Today.AddDays(uplift), Given.Pounds(uplift * 10))],
                        Limits =
                        [
                            new(DateOnly.MinValue, Given.Pounds(1000)),
                            .. limit % 3 == 0
                                ? [new LimitChange(Today.AddDays(limit % 70), Given.Pounds(limit))]
                                : Array.Empty<LimitChange>(),
                        ],
                    };
                    var position = AccountPosition.On(account, Today, Given.Positions());
                    Forecast.PassesFrom(position, new()).ShouldBe(Forecast.Of(position, new()).PassesOn);
                }
            );

    [Fact]
    public void Days_late_are_weighted_by_amount_over_the_last_year()
    {
        BookAccount With(params (int Late, long Amount)[] paid)
        {
            var due = new DateOnly(2025, 12, 1);
            return Account() with
            {
                Items = [.. paid.Select((p, n) => new BookItem(ItemKind.Invoice, due.AddDays(-30), due, 0, n * 2, 2))],
                Movements =
                [
                    .. paid.SelectMany(p =>
                        new BookMovement[]
                        {
                            new(due.AddDays(-30), p.Amount),
                            new(due.AddDays(p.Late), -p.Amount, due.AddDays(p.Late), MovementKind.Cash),
                        }
                    ),
                ],
            };
        }

        DaysLate.Of(With((10, 100), (2, 300)), Today).ShouldBe(4m);
        DaysLate.Of(With((-5, 100)), Today).ShouldBe(-5m);
        DaysLate.Of(With(), Today).ShouldBeNull();
        DaysLate.Of(With((10, 100)), new(2026, 12, 2)).ShouldBeNull();
        DaysLate.Of(With((10, 100)), new(2025, 12, 10)).ShouldBeNull();
    }

    /// <summary>
    /// By hand: 400.00 and 500.00 due in 10 and 20 days and a credit of 600.00: 300.00 are owed. The credit uses up the first
    /// and 200.00 of the second, so that 300.00 leave on the twentieth day and nothing is left, and not −600.00.
    /// </summary>
    [Fact]
    public void Credits_are_used_up_by_the_oldest_items()
    {
        var account = Account((10, 40_000), (20, 50_000));
        account = account with
        {
            Items = [.. account.Items, new(ItemKind.CreditNote, Today, Today, -60_000, account.Movements.Length, 1)],
            Movements = [.. account.Movements, new(Today, -60_000)],
        };
        var forecast = Of(account);
        (On(forecast, 0), On(forecast, 10), On(forecast, 20), On(forecast, 60)).ShouldBe((30_000, 30_000, 0, 0));
    }

    /// <summary>
    /// Paid 36 days early, then by mistake again 31 days early, which was reversed on its own value date: 36 days early.
    /// </summary>
    [Fact]
    public void Days_late_leave_out_what_was_reversed()
    {
        var account = new BookAccount
        {
            Id = 1,
            Code = "A",
            Name = "A",
            Currency = Given.Gbp,
            Items = [new(ItemKind.Invoice, new(2026, 1, 1), new(2026, 3, 10), 0, 0, 4)],
            Movements =
            [
                new(new(2026, 1, 1), 10_000),
                new(new(2026, 2, 2), -10_000, new(2026, 2, 2), MovementKind.Cash),
                new(new(2026, 2, 7), -5_000, new(2026, 2, 7), MovementKind.Cash),
                new(new(2026, 2, 7), 5_000, new(2026, 2, 9), MovementKind.Cash),
            ],
        };
        DaysLate.Of(account, Today).ShouldBe(-36);
        var item = Given.Invoice(
            "INV-1",
            1000,
            "2026-01-01",
            "2026-01-31",
            1,
            [Given.Discount("2026-01-11", 20)],
            Given.Moved(MovementKind.Discount, "2026-01-05", -20),
            Given.Moved(MovementKind.Discount, "2026-01-05", 20),
            Given.Moved(MovementKind.Cash, "2026-01-20", -1000)
        );
        PaymentHabit.Of([item], Today).ShouldBe(new(1, 0));
    }
}
