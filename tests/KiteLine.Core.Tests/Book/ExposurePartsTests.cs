using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Every component of exposure with its setting, as shown on any day.</summary>
public class ExposurePartsTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static BookAccount Account =>
        new()
        {
            Id = 1,
            Code = "PEL01",
            Name = "Pellworm Sail Loft",
            Currency = Given.Gbp,
            Limits = [new(DateOnly.MinValue, Given.Pounds(1000))],
            Items =
            [
                new(ItemKind.Invoice, new(2026, 2, 1), new(2026, 3, 3), 30_000, 0, 1),
                new(ItemKind.Invoice, new(2026, 2, 10), new(2026, 3, 12), 0, 1, 2),
            ],
            Movements =
            [
                new(new(2026, 2, 1), 30_000),
                new(new(2026, 2, 10), 20_000),
                new(new(2026, 3, 10), -20_000, new(2026, 3, 12), MovementKind.Cash),
            ],
        };

    private static AccountPosition On(BookAccount account, DateOnly? day = null, ExposureSettings? settings = null) =>
        AccountPosition.On(account, day ?? Today, Given.Positions(settings));

    [Fact]
    public void A_past_day_knows_only_what_was_posted_by_then()
    {
        On(Account, new(2026, 3, 11)).Exposure.ShouldBe(50_000);
        On(Account, new(2026, 3, 12)).Exposure.ShouldBe(30_000);
        // What was open before the books began has no posting date and counts by its value date.
        On(Account, new(2026, 2, 1)).Exposure.ShouldBe(30_000);
    }

    [Fact]
    public void A_limit_or_uplift_recorded_later_changes_no_day_before()
    {
        var account = Account with
        {
            Limits =
            [
                new(DateOnly.MinValue, Given.Pounds(1000)),
                new(new(2026, 3, 1), Given.Pounds(2000), new(2026, 3, 10)),
                new(new(2026, 4, 1), Given.Pounds(500), new(2026, 3, 2)),
            ],
            Uplifts =
            [
                new(new(2026, 3, 5), new(2026, 3, 31), Given.Pounds(100), new(2026, 3, 8), EndedOn: new(2026, 3, 14)),
            ],
        };
        long[] At(params int[] days) => [.. days.Select(d => On(account, new DateOnly(2026, 3, d)).EffectiveLimit)];
        At(1, 5, 8, 9, 10, 13, 14).ShouldBe([100_000, 100_000, 110_000, 110_000, 210_000, 210_000, 200_000]);
        On(account, new(2026, 4, 1)).EffectiveLimit.ShouldBe(50_000);
        LimitChange.On(account.Limits, new(2026, 4, 1), new(2026, 3, 1))!.Amount.ShouldBe(Given.Pounds(1000));
    }

    [Fact]
    public void What_is_disputed_counts_by_the_companys_choice_and_never_more_than_is_open()
    {
        var account = Account with
        {
            Disputes = [new(0, 12_000, new(2026, 3, 5), new(2026, 3, 15)), new(1, 99_999, new(2026, 3, 5), null)],
        };
        var without = new ExposureSettings(DisputedCount: false);
        On(account, new(2026, 3, 4), without).Exposure.ShouldBe(50_000);
        On(account, new(2026, 3, 11), without).Exposure.ShouldBe(18_000);
        On(account, new(2026, 3, 11)).Exposure.ShouldBe(50_000);
        On(account, new(2026, 3, 11)).Disputed.ShouldBe(32_000);
        On(account, new(2026, 3, 15), without).Exposure.ShouldBe(30_000);
    }

    [Fact]
    public void A_receipt_counts_until_it_has_cleared_where_the_company_says_so()
    {
        var account = Account with
        {
            Receipts =
            [
                new(
                    1,
                    11,
                    "RCT-1",
                    new(2026, 3, 12),
                    new(2026, 3, 17),
                    null,
                    20_500,
                    [new(new(2026, 3, 12), null, 19_600, 400)]
                ),
            ],
        };
        On(account).Uncleared.ShouldBe(0);
        var counts = new ExposureSettings(UnclearedCount: true);
        On(account, new(2026, 3, 11), counts).Uncleared.ShouldBe(0);
        // 205.00 came in; 196.00 of it settled 200.00 with 4.00 of discount, 9.00 stayed on account: 209.00 would be
        // owed again.
        On(account, Today, counts).Exposure.ShouldBe(30_000 + 20_900);
        On(account, Today, counts with { CreditsReduce = false }).Uncleared.ShouldBe(20_000);
        On(account, new(2026, 3, 17), counts).Uncleared.ShouldBe(0);
        var bounced = account with { Receipts = [account.Receipts[0] with { TakenBackOn = new(2026, 3, 14) }] };
        On(bounced, new(2026, 3, 13), counts).Uncleared.ShouldBe(20_900);
        // Undone, it is money on account.
        var undone = account with
        {
            Receipts =
            [
                account.Receipts[0] with
                {
                    Uses = [account.Receipts[0].Uses[0] with { Until = new(2026, 3, 15) }],
                },
            ],
        };
        On(undone, new(2026, 3, 14), counts).Uncleared.ShouldBe(20_900);
        On(undone, new(2026, 3, 15), counts).Uncleared.ShouldBe(20_500);
        On(bounced, new(2026, 3, 14), counts).Uncleared.ShouldBe(0);
    }

    [Fact]
    public void Orders_count_as_far_as_they_are_approved_and_not_invoiced()
    {
        var order = new BookOrder(
            1,
            "SO-1",
            new(2026, 3, 1),
            [
                new(new(2026, 3, 2), 50_000, 0, 0),
                new(new(2026, 3, 5), 50_000, 30_000, 0, new(2026, 3, 14)),
                new(new(2026, 3, 9), 50_000, 30_000, 10_000, new(2026, 3, 14)),
            ],
            []
        );
        var account = Account with { Orders = [order] };
        (long Orders, long Held) At(int day) =>
            On(account, new DateOnly(2026, 3, day)) is var p ? (p.Orders, p.Held) : default;
        At(1).ShouldBe((0, 0));
        At(2).ShouldBe((0, 50_000));
        At(5).ShouldBe((30_000, 20_000));
        At(9).ShouldBe((20_000, 20_000));
        At(14).ShouldBe((20_000, 20_000));
        // The release has lapsed: what was not invoiced is held again.
        At(15).ShouldBe((0, 40_000));
    }

    [Fact]
    public void The_workings_list_every_document_and_end_in_the_exposure()
    {
        var account = Account with
        {
            Receipts =
            [
                new(
                    1,
                    11,
                    "RCT-1",
                    new(2026, 3, 12),
                    new(2026, 3, 17),
                    null,
                    20_000,
                    [new(new(2026, 3, 12), null, 20_000, 0)]
                ),
            ],
            Disputes = [new(0, 12_000, new(2026, 3, 5), null)],
            Orders = [new(1, "SO-1", new(2026, 3, 1), [new(new(2026, 3, 2), 5_000, 4_000, 1_000)], [])],
            Limits = [new(DateOnly.MinValue, Given.Pounds(1000), Insured: 40_000)],
        };
        var settings = new ExposureSettings(DisputedCount: false, UnclearedCount: true);
        var lines = ExposureWorkings.Of(["INV-1", "INV-2"], On(account, settings: settings), settings);
        lines
            .Select(l => $"{l.Label} = {l.Value}")
            .ShouldBe([
                "INV-1 = 180.00",
                "Open items = 180.00",
                "RCT-1 = 200.00",
                "SO-1 = 30.00",
                "Exposure = 410.00",
                "Effective limit = 1000.00",
                "Headroom = 590.00",
                "Not insured = 10.00",
            ]);
        lines[0].Formula.ShouldContain("300.00 less 120.00 disputed");
    }

    [Fact]
    public void What_counted_on_a_past_day_stays_when_the_company_changes_its_rule()
    {
        var settings = new CompanySettings()
            .WithExposure(new(ChargesCount: false), new(2026, 3, 10))
            .WithExposure(new(CreditsReduce: false), new(2026, 3, 12));
        settings.ExposureOn(new(2026, 3, 9)).ShouldBe(new());
        settings.ExposureOn(new(2026, 3, 11)).ShouldBe(new(ChargesCount: false));
        settings.ExposureOn(new(2026, 3, 12)).ShouldBe(new(CreditsReduce: false));
        settings.Exposure.ShouldBe(new(CreditsReduce: false));
        settings.WithExposure(settings.Exposure, Today).ShouldBeSameAs(settings);
    }

    [Fact]
    public void Rates_are_those_of_the_day_as_known_then_and_not_too_old()
    {
        var (gbp, eur, usd) = (Given.Gbp, Currency.Of("EUR"), Currency.Of("USD"));
        var rates = new ExchangeRates(
            gbp,
            [
                new(eur, new(2026, 3, 13), 0.85m, new(2026, 3, 13)),
                new(eur, new(2026, 3, 13), 0.86m, new(2026, 3, 16)),
                new(usd, new(2026, 3, 9), 0.80m, new(2026, 3, 20)),
            ],
            7,
            RoundingRule.HalfAwayFromZero
        );
        rates.Convert(Money.Exact(100, eur), gbp, new(2026, 3, 14)).ShouldBe(Given.Pounds(85));
        rates.Convert(Money.Exact(100, eur), gbp, Today).ShouldBe(Given.Pounds(86));
        rates.Convert(Money.Exact(100, eur), gbp, new(2026, 3, 12)).ShouldBeNull();
        // Nothing was known then, so what is known since is used.
        rates.Convert(Money.Exact(86, eur), usd, Today).ShouldBe(Money.Exact(92.45m, usd));
        rates.Convert(Money.Exact(1, usd), gbp, new(2026, 3, 17)).ShouldBeNull();
        rates.Missing(eur, usd, new(2026, 3, 17)).ShouldBe(usd);
        rates.Missing(gbp, eur, Today).ShouldBeNull();
    }

    [Fact]
    public void A_group_adds_up_its_accounts_in_its_own_currency_each_rounded_once()
    {
        var eur = Currency.Of("EUR");
        var rates = new ExchangeRates(Given.Gbp, [new(eur, Today, 0.85555m)], 7, RoundingRule.HalfAwayFromZero);
        var group = new BookGroup(
            1,
            "Windlass",
            Given.Gbp,
            "",
            [new(DateOnly.MinValue, Given.Pounds(400), ReviewOn: new(2026, 3, 15))],
            [new(new(2026, 3, 1), new(2026, 3, 31), Given.Pounds(50))]
        );
        var abroad = Account with
        {
            Id = 2,
            Code = "OSP01",
            Currency = eur,
            Limits = [],
            Items = [new(ItemKind.Invoice, Today, Today, 10_001, 0, 1)],
            Movements = [new(Today, 10_001)],
        };
        var position = GroupPosition.On(group, Today, [On(Account), On(abroad)], rates);
        position.Exposure.ShouldBe(Given.Pounds(300m + 85.56m));
        position.Headroom.ShouldBe(Given.Pounds(450m - 385.56m));
        position.ReviewLapsed.ShouldBeTrue();
        position.Workings()[1].Formula.ShouldBe("Pellworm Sail Loft, 100.01 EUR at 0.85555 of 16 Mar 2026");
        var unknown = GroupPosition.On(
            group,
            Today,
            [On(Account), On(abroad)],
            new(Given.Gbp, [], 7, RoundingRule.HalfAwayFromZero)
        );
        unknown.Missing.ShouldBe([eur]);
        unknown.Exposure.ShouldBe(Given.Pounds(300));
    }

    [Theory]
    [InlineData("A", "A", true)]
    [InlineData("A", "B", true)]
    [InlineData("A", "D", false)]
    [InlineData("A", "C", true)]
    [InlineData("B", "c", true)]
    [InlineData("D", "C", false)]
    [InlineData("A", "", false)]
    public void A_group_never_contains_itself(string name, string parent, bool would)
    {
        BookGroup Group(string n, string p) => new(1, n, Given.Gbp, p, [], []);
        var groups = new[] { Group("A", ""), Group("B", "A"), Group("C", "B"), Group("D", "") }.ToDictionary(
            g => g.Name,
            StringComparer.OrdinalIgnoreCase
        );
        BookGroup.WouldContainItself(name, parent, groups).ShouldBe(would);
    }

    [Fact]
    public void However_an_order_goes_its_parts_add_up_and_nothing_counts_twice() =>
        Gen.Select(Gen.Int[1, 100_000], Gen.Select(Gen.Int[0, 4], Gen.Int[0, 120_000]).Array[0, 12])
            .Sample(
                (total, deeds) =>
                {
                    var step = OrderStepRule.Entered(Today, total, total % 2 == 0);
                    var invoices = new List<long>();
                    foreach (var (deed, amount) in deeds)
                    {
                        try
                        {
                            var before = step;
                            step = deed switch
                            {
                                0 => OrderStepRule.Released(
                                    step,
                                    Today,
                                    amount == 0 ? null : amount,
                                    amount % 3 == 0 ? Today : null
                                ),
                                1 => OrderStepRule.Invoiced(step, Today, amount),
                                2 => OrderStepRule.Changed(step, Today, amount, amount % 2 == 0),
                                3 when invoices.Count > 0 => OrderStepRule.InvoiceReversed(step, Today, invoices[^1]),
                                _ => OrderStepRule.Ended(step, Today),
                            };
                            if (deed == 1)
                                invoices.Add(amount);
                            if (deed == 3 && step.Invoiced != before.Invoiced)
                                invoices.RemoveAt(invoices.Count - 1);
                        }
                        catch (RefusedException)
                        {
                            continue;
                        }

                        step.Invoiced.ShouldBe(invoices.Sum());
                        step.NotInvoiced(Today).ShouldBeGreaterThanOrEqualTo(0);
                        step.Approved.ShouldBeInRange(step.Invoiced, step.Total);
                        if (!step.Over)
                            (step.Invoiced + step.NotInvoiced(Today) + step.Held(Today)).ShouldBe(step.Total);
                        else
                            (step.NotInvoiced(Today) + step.Held(Today)).ShouldBe(0);
                        step.NotInvoiced(Today.AddDays(1)).ShouldBe(step.Until == Today ? 0 : step.NotInvoiced(Today));
                    }
                }
            );
}
