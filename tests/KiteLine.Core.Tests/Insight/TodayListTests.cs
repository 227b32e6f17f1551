using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class TodayListTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Currency Euro = Currency.Of("EUR");
    private static readonly ExchangeRates Rates = new(
        Given.Gbp,
        [new(Euro, Today, 0.8m)],
        7,
        RoundingRule.HalfAwayFromZero
    );

    private static BookAccount Account(string code, long open, decimal limit = 1000, Currency? currency = null) =>
        new()
        {
            Id = 1,
            Code = code,
            Name = $"Customer {code}",
            Currency = currency ?? Given.Gbp,
            Owner = "C. Lerk",
            Limits = [new(DateOnly.MinValue, Money.Exact(limit, currency ?? Given.Gbp))],
            Items = [new(ItemKind.Invoice, Today.AddDays(-20), Today.AddDays(50), open, 0, 1)],
            Movements = [new(Today.AddDays(-20), open)],
        };

    private static AccountPosition Position(BookAccount account) => Board(account).Rows[0];

    private static Board Board(params BookAccount[] accounts) => Core.Board.Of(accounts, Today, Given.Positions());

    private static IReadOnlyList<TodayEntry> Of(
        BookAccount[] accounts,
        IEnumerable<GroupPosition>? groups = null,
        IEnumerable<HeldOrder>? held = null,
        IEnumerable<WaitingRequest>? requests = null
    ) =>
        TodayList.Of(
            TodayNeeds.Of(Board(accounts), Given.Gbp, Rates, NoneEnds),
            groups ?? [],
            held ?? [],
            requests ?? []
        );

    private static TodayEntry Only(BookAccount account) => Of([account]).ShouldHaveSingleItem();

    [Fact]
    public void An_account_with_nothing_to_decide_is_not_in_it() => Of([Account("A", 100_000)]).ShouldBeEmpty();

    [Fact]
    public void Over_the_limit_the_money_at_risk_is_what_lies_beyond_it()
    {
        var entry = Only(Account("A", 100_001));
        (entry.Kind, entry.Text, entry.AtRisk, entry.Owner, entry.Key).ShouldBe(
            (TodayKind.OverLimit, "Over its limit by 0.01", Given.Pounds(0.01m), "C. Lerk", "over-limit:A")
        );
    }

    [Fact]
    public void A_lapsed_review_risks_the_exposure_that_is_not_insured_and_only_from_the_day_after()
    {
        BookAccount With(DateOnly review) =>
            Account("A", 90_000) with
            {
                Limits = [new(DateOnly.MinValue, Given.Pounds(1000), Insured: 60_000, ReviewOn: review)],
            };
        Of([With(Today)]).ShouldBeEmpty();
        var entry = Only(With(Today.AddDays(-1)));
        (entry.Kind, entry.AtRisk, entry.On).ShouldBe((TodayKind.ReviewLapsed, Given.Pounds(300), Today.AddDays(-1)));
    }

    [Fact]
    public void What_will_pass_its_limit_says_when_and_by_how_much()
    {
        var entry = Only(
            Account("A", 90_000) with
            {
                Orders = [new(1, "SO-1", Today, [new(Today, 15_000, 0, 0)], [new(Today.AddDays(9), 15_000)])],
            }
        );
        (entry.Kind, entry.On, entry.AtRisk).ShouldBe((TodayKind.WillPass, Today.AddDays(9), Given.Pounds(50)));
    }

    [Fact]
    public void Promises_are_in_it_on_their_day_and_when_they_are_broken_with_what_is_missing()
    {
        BookAccount With(int due, long received = 0, DateOnly? withdrawn = null) =>
            Given.WithReceipt(Account("A", 90_000), received, Today.AddDays(-4)) with
            {
                Promises = [new(1, Today.AddDays(-9), Today.AddDays(due), 40_000, withdrawn)],
            };
        Of([With(1)]).ShouldBeEmpty();
        Of([With(-1, 40_000)]).ShouldBeEmpty();
        var due = Only(With(0, 10_000));
        (due.Kind, due.AtRisk).ShouldBe((TodayKind.PromiseDue, Given.Pounds(300)));
        var broken = Only(With(-1, 10_000));
        (broken.Kind, broken.Text, broken.AtRisk).ShouldBe(
            (TodayKind.PromiseBroken, "A promise of 400.00 was kept in part", Given.Pounds(300))
        );
        // Taken back, it is judged no longer.
        Of([With(-1, 0, Today.AddDays(-2))]).ShouldBeEmpty();
    }

    [Fact]
    public void Entries_rank_by_money_at_risk_in_the_base_currency()
    {
        var entries = Of(
            [Account("A", 101_000), Account("B", 102_000, currency: Euro), Account("C", 101_500)],
            held: [new(7, "SO-7", Today, Account("A", 101_000), Given.Pounds(12), "the account is on stop")],
            requests:
            [
                new(3, "C", "Customer C", "C. Lerk", false, "C. Lerk", Today, Given.Pounds(1500), Given.Pounds(500)),
            ]
        );
        entries
            .Select(e => (e.Kind, e.About, e.AtRiskAtHome))
            .ShouldBe([
                (TodayKind.Approval, "C", 500m),
                (TodayKind.OverLimit, "B", 16m),
                (TodayKind.OverLimit, "C", 15m),
                (TodayKind.HeldOrder, "A", 12m),
                (TodayKind.OverLimit, "A", 10m),
            ]);
        entries[0].Text.ShouldBe("C. Lerk asks for a limit of 1500.00 GBP");
        (entries[3].Number, entries[3].Text).ShouldBe((7, "Order SO-7 is held: the account is on stop"));
    }

    [Fact]
    public void What_is_too_large_for_the_base_currency_ranks_as_it_is()
    {
        var rates = new ExchangeRates(Given.Gbp, [new(Euro, Today, 1_000_000m)], 7, RoundingRule.HalfAwayFromZero);
        var board = Board(Account("A", 100_000_000_000_000_100, limit: 0, currency: Euro), Account("B", 101_000));
        TodayNeeds
            .Of(board, Given.Gbp, rates, NoneEnds)
            .Ranked.Select(e => (e.About, e.AtRiskAtHome))
            .ShouldBe([("A", 1_000_000_000_000_001m), ("B", 10m)]);
    }

    [Fact]
    public void A_group_stands_in_it_for_itself()
    {
        GroupPosition Group(decimal limit, DateOnly? review = null, IReadOnlyList<Uplift>? uplifts = null) =>
            GroupPosition.On(
                new(
                    1,
                    "Windlass",
                    Given.Gbp,
                    "",
                    [new(DateOnly.MinValue, Given.Pounds(limit), ReviewOn: review)],
                    uplifts ?? []
                ),
                Today,
                [Position(Account("A", 90_000))],
                Rates
            );
        Of([], [Group(900)]).ShouldBeEmpty();
        var over = Of([], [Group(850)]).ShouldHaveSingleItem();
        (over.Kind, over.OfGroup, over.About, over.AtRisk, over.Text).ShouldBe(
            (TodayKind.OverLimit, true, "Windlass", Given.Pounds(50), "Over its limit by 50.00 GBP")
        );
        Of([], [Group(900, Today.AddDays(-1))]).ShouldHaveSingleItem().Kind.ShouldBe(TodayKind.ReviewLapsed);
        var passes = Of([], [Group(800, uplifts: [new(Today, Today.AddDays(3), Given.Pounds(100))])])
            .ShouldHaveSingleItem();
        (passes.Kind, passes.On, passes.AtRisk).ShouldBe((TodayKind.WillPass, Today.AddDays(4), Given.Pounds(100)));
        Of(
                [],
                [
                    GroupPosition.On(
                        new(1, "Only a name", Given.Gbp, "", [], []),
                        Today,
                        [Position(Account("A", 90_000))],
                        Rates
                    ),
                ]
            )
            .ShouldBeEmpty();
    }

    private static readonly TodayNeeds.Ending NoneEnds = (_, _) => new Dictionary<long, EndingDiscounts>();

    // Some accounts by what is open on them, so that it changes with them.
    private static readonly TodayNeeds.Ending Ends = (accounts, _) =>
        accounts
            .Where(a => a.Items[0].Open % 3 == 0)
            .ToDictionary(
                a => a.Id,
                a => new EndingDiscounts(Money.FromMinor(a.Items[0].Open / 50, a.Currency), 1, Today.AddDays(1))
            );

    [Fact]
    public void Discounts_that_end_soon_are_a_reason_to_call_ranked_by_what_they_come_to()
    {
        var account = Account("A", 90_000);
        var entry = TodayList
            .Of(
                TodayNeeds.Of(
                    Board(account),
                    Given.Gbp,
                    Rates,
                    (_, _) =>
                        new Dictionary<long, EndingDiscounts> { [1] = new(Given.Pounds(18m), 2, Today.AddDays(2)) }
                ),
                [],
                [],
                []
            )
            .ShouldHaveSingleItem();
        (entry.Kind, entry.Text, entry.AtRisk, entry.On, entry.Key).ShouldBe(
            (
                TodayKind.DiscountEnds,
                "Discounts of 18.00 on 2 items end within 3 days",
                Given.Pounds(18m),
                Today.AddDays(2),
                "discount-ends:A:2026-03-18"
            )
        );
    }

    [Fact]
    public void After_a_commit_it_is_what_a_fresh_look_at_all_accounts_gives()
    {
        // Accounts go over their limits, come back, change places and stay, in 200 random commits.
        var random = new Random(20_260_316);
        BookAccount One(int i) =>
            Account($"A{i:D3}", random.Next(50_000, 150_000), currency: i % 3 == 0 ? Euro : null) with
            {
                Id = i + 1,
            };
        BookAccount[] accounts = [.. Enumerable.Range(0, 60).Select(One)];
        var board = Board(accounts);
        var needs = TodayNeeds.Of(board, Given.Gbp, Rates, Ends);
        for (var commit = 0; commit < 200; commit++)
        {
            accounts = [.. accounts];
            for (var touched = random.Next(4); touched > 0; touched--)
            {
                var at = random.Next(accounts.Length);
                accounts[at] = One(at);
            }

            board = board.After(accounts);
            // Now and then a board is passed over.
            if (random.Next(3) > 0)
                needs = needs.After(board);
            TodayNeeds
                .Of(Board(accounts), Given.Gbp, Rates, Ends)
                .Ranked.ShouldBe(needs.After(board).Ranked, $"after commit {commit}");
        }

        needs.Ranked.Count.ShouldBeInRange(10, 90);
    }
}
