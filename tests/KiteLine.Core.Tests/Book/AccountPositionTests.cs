using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class AccountPositionTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static BookAccount Account(params (ItemKind Kind, int DaysOverdue, long Open)[] items) =>
        new()
        {
            Id = 1,
            Code = "PEL01",
            Name = "Pellworm Sail Loft",
            Currency = Given.Gbp,
            Limits = [new(DateOnly.MinValue, Given.Pounds(400))],
            Items =
            [
                .. items.Select(
                    (i, n) =>
                        new BookItem(
                            i.Kind,
                            Today.AddDays(-i.DaysOverdue - 30),
                            Today.AddDays(-i.DaysOverdue),
                            i.Open,
                            n,
                            1
                        )
                ),
            ],
            Movements = [.. items.Select(i => new BookMovement(Today.AddDays(-i.DaysOverdue - 30), i.Open))],
        };

    private static BookOrder Order(string number, DateOnly on, long total) =>
        new(1, number, on, [new(on, total, total, 0)], []);

    private static AccountPosition On(BookAccount account, DateOnly? day = null, ExposureSettings? settings = null) =>
        AccountPosition.On(account, day ?? Today, Given.Positions(settings));

    /// <summary>Common practice: not due, 1–30, 31–60, 61–90, over 90 days past the due date.</summary>
    [Theory]
    [InlineData(-1, 0)]
    [InlineData(0, 0)]
    [InlineData(1, 1)]
    [InlineData(30, 1)]
    [InlineData(31, 2)]
    [InlineData(60, 2)]
    [InlineData(61, 3)]
    [InlineData(90, 3)]
    [InlineData(91, 4)]
    [InlineData(9999, 4)]
    public void The_bucket_of_an_age(int days, int bucket) => AgeingBuckets.Default.IndexOf(days).ShouldBe(bucket);

    [Fact]
    public void Buckets_have_the_names_of_the_interface()
    {
        AgeingBuckets.Default.Names.ShouldBe(["notDue", "1-30", "31-60", "61-90", "over90"]);
        AgeingBuckets.Of([10, 45]).Names.ShouldBe(["notDue", "1-10", "11-45", "over45"]);
        Should.Throw<ArgumentException>(() => AgeingBuckets.Of([30, 30]));
        Should.Throw<ArgumentException>(() => AgeingBuckets.Of([]));
    }

    [Fact]
    public void Exposure_is_debits_less_credits_plus_orders()
    {
        var account = Account(
            (ItemKind.Invoice, 40, 30_000),
            (ItemKind.Invoice, -5, 20_000),
            (ItemKind.CreditNote, 3, -5_000),
            (ItemKind.LateCharge, 1, 100)
        ) with
        {
            Orders = [Order("SO-1", Today, 15_000), Order("SO-2", Today.AddDays(1), 99_900)],
        };
        var p = On(account);
        p.Exposure.ShouldBe(45_100 + 15_000);
        p.Headroom.ShouldBe(40_000 - 60_100);
        p.Ageing.ShouldBe([20_000, -4_900, 30_000, 0, 0]);
        p.Overdue.ShouldBe(25_100);
        p.OldestDays.ShouldBe(40);
        On(account, settings: new(CreditsReduce: false)).Exposure.ShouldBe(65_100);
        On(account, settings: new(ChargesCount: false)).Exposure.ShouldBe(60_000);
    }

    [Fact]
    public void Limit_uplift_and_state_are_those_of_the_day()
    {
        var account = Account() with
        {
            Limits = [new(DateOnly.MinValue, Given.Pounds(100)), new(new(2026, 3, 1), Given.Pounds(200))],
            Uplifts = [new(new(2026, 3, 10), new(2026, 3, 20), Given.Pounds(50))],
            States = [new(new(2026, 3, 15), AccountState.Watch), new(new(2026, 3, 17), AccountState.Stop)],
        };
        (long Limit, long Uplift, AccountState State) At(int day)
        {
            var p = On(account, new DateOnly(2026, 3, day));
            return (p.StandingLimit, p.Uplift, p.State);
        }

        On(account, new DateOnly(2026, 2, 28)).EffectiveLimit.ShouldBe(10_000);
        At(9).ShouldBe((20_000, 0, AccountState.Open));
        At(10).ShouldBe((20_000, 5_000, AccountState.Open));
        At(16).ShouldBe((20_000, 5_000, AccountState.Watch));
        At(20).ShouldBe((20_000, 5_000, AccountState.Stop));
        At(21).Uplift.ShouldBe(0);
    }

    [Fact]
    public void A_past_day_counts_movements_by_value_date()
    {
        var account = Account() with
        {
            Items = [new(ItemKind.Invoice, new(2026, 1, 1), new(2026, 1, 31), 0, 0, 3)],
            Movements = [new(new(2026, 1, 1), 1000), new(new(2026, 2, 10), -400), new(new(2026, 3, 1), -600)],
        };
        On(account, new DateOnly(2025, 12, 31)).Exposure.ShouldBe(0);
        On(account, new DateOnly(2026, 2, 9)).Exposure.ShouldBe(1000);
        On(account, new DateOnly(2026, 2, 10)).Exposure.ShouldBe(600);
        On(account, new DateOnly(2026, 3, 1)).Exposure.ShouldBe(0);
    }

    [Fact]
    public void Exposure_equals_the_sum_of_its_workings() =>
        GenItems.Sample(drawn =>
        {
            var account = Account(drawn);
            var documents = drawn.Select((_, n) => $"D{n}").ToArray();
            foreach (var settings in new[] { new ExposureSettings(), new(false, false) })
            {
                var position = On(account, settings: settings);
                var lines = ExposureWorkings.Of(documents, position, settings);
                var sum = lines
                    .TakeWhile(l => l.Label != "Open items")
                    .Where(l => l.Value != "—")
                    .Sum(l => Reference.Number(l.Value));
                sum.ShouldBe(position.OpenItems / 100m);
                Reference.Number(lines.Single(l => l.Label == "Exposure").Value).ShouldBe(position.Exposure / 100m);
            }
        });

    [Fact]
    public void Ageing_adds_up_to_the_balance() =>
        GenItems.Sample(drawn => On(Account(drawn)).Ageing.Sum().ShouldBe(drawn.Sum(d => d.Open)));

    [Fact]
    public void What_the_bar_draws_adds_up_to_the_exposure() =>
        Gen.Select(GenItems, Gen.Int[0, 100_000])
            .Sample(
                (drawn, orders) =>
                {
                    var account = Account(drawn) with { Orders = [Order("SO-1", Today, orders)] };
                    foreach (var settings in new[] { new ExposureSettings(), new(false, true), new(true, false) })
                    {
                        var position = On(account, settings: settings);
                        var parts = position.DrawnParts();
                        parts.ShouldAllBe(p => p >= 0);
                        parts.Sum().ShouldBe(Math.Max(0, position.Exposure));
                    }
                }
            );

    private static readonly Gen<(ItemKind Kind, int DaysOverdue, long Open)[]> GenItems = Gen.Select(
            Gen.Int[0, 4],
            Gen.Int[-30, 200],
            Gen.Int[1, 500_000]
        )
        .Select(
            (kind, days, amount) =>
                (
                    (ItemKind)kind,
                    days,
                    (ItemKind)kind is ItemKind.CreditNote or ItemKind.Receipt ? -(long)amount : amount
                )
        )
        .Array[0, 12];
}
