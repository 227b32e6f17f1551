using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class CreditCheckTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly ExchangeRates Rates = new(
        Given.Gbp,
        [new(Currency.Of("EUR"), Today, 0.8m)],
        7,
        RoundingRule.HalfAwayFromZero
    );

    private static BookAccount Account =>
        new()
        {
            Id = 1,
            Code = "PEL01",
            Name = "Pellworm Sail Loft",
            Currency = Given.Gbp,
            Limits = [new(DateOnly.MinValue, Given.Pounds(1000))],
            Items = [new(ItemKind.Invoice, new(2026, 1, 1), new(2026, 2, 10), 60_000, 0, 1)],
            Movements = [new(new(2026, 1, 1), 60_000)],
        };

    private static CreditCheck Check(
        decimal asked,
        BookAccount? account = null,
        CheckResponses? responses = null,
        bool confirmed = true,
        params GroupPosition[] groups
    ) =>
        CreditCheck.Of(
            new()
            {
                Position = AccountPosition.On(account ?? Account, Today, Given.Positions()),
                Asked = Given.Pounds(asked),
                Responses = responses ?? new() { OverdueDays = 40 },
                TermsAgreedOn = confirmed ? new(2021, 1, 1) : null,
                Groups = groups,
                Rates = Rates,
                Calendar = BusinessCalendar.WeekendsOnly,
            }
        );

    [Fact]
    public void Nothing_is_found_up_to_the_limit_and_the_first_penny_beyond_it_is()
    {
        Check(400).Answer.ShouldBeNull();
        Check(400).Shown.ShouldBeFalse();
        var over = Check(400.01m);
        over.Answer.ShouldBe(CheckResponse.Refuse);
        over.Findings.Single().Beyond.ShouldBe(Given.Pounds(0.01m));
        over.OverLimit.ShouldBe(Given.Pounds(0.01m));
        over.Findings[0].Workings.Select(w => w.Value).ShouldBe(["600.00", "1000.01", "1000.00", "0.01"]);
    }

    [Fact]
    public void An_uplift_makes_room_for_its_days() =>
        Check(450, Account with { Uplifts = [new(Today, Today, Given.Pounds(50))] }).Answer.ShouldBeNull();

    [Theory]
    [InlineData(33, "100", true)]
    [InlineData(34, "100", false)]
    [InlineData(33, "600", false)]
    [InlineData(33, "599.99", true)]
    public void Overdue_is_found_beyond_its_days_and_its_amount(int days, string amount, bool found)
    {
        var check = Check(1, responses: new() { OverdueDays = days, OverdueAmount = Reference.Number(amount) });
        check.Findings.Any(f => f.Kind == CheckFinding.Overdue).ShouldBe(found);
        if (found)
            check.Answer.ShouldBe(CheckResponse.Ask);
    }

    [Fact]
    public void Stop_refuses_watch_shows_and_the_strictest_answer_wins()
    {
        var stopped = Account with { States = [new(Today, AccountState.Stop)] };
        Check(1, stopped).Findings.Single().Kind.ShouldBe(CheckFinding.OnStop);
        Check(1, stopped, new() { OnStop = CheckResponse.Tell, OverdueDays = 1 }).Answer.ShouldBe(CheckResponse.Ask);
        var watched = Check(1, Account with { States = [new(Today, AccountState.Watch)] });
        (watched.Answer, watched.Shown).ShouldBe((null, true));
    }

    [Fact]
    public void A_review_lapses_the_day_after_it_was_due_and_unconfirmed_terms_are_told()
    {
        BookAccount Due(DateOnly on) =>
            Account with
            {
                Limits = [new(DateOnly.MinValue, Given.Pounds(1000), ReviewOn: on)],
            };
        Check(1, Due(Today)).Findings.ShouldBeEmpty();
        var lapsed = Check(1, Due(Today.AddDays(-1)), confirmed: false);
        lapsed.Findings.Select(f => f.Kind).ShouldBe([CheckFinding.ReviewLapsed, CheckFinding.TermsNotConfirmed]);
        lapsed.Answer.ShouldBe(CheckResponse.Tell);
    }

    [Theory]
    [InlineData(0, 0, PromiseState.Waiting, false)]
    [InlineData(-1, 0, PromiseState.Broken, true)]
    [InlineData(-1, 4000, PromiseState.PartKept, true)]
    [InlineData(-1, 5000, PromiseState.Kept, false)]
    public void A_promise_is_judged_the_day_after_it_was_due(int due, long received, PromiseState state, bool found)
    {
        var account = Given.WithReceipt(Account, received, Today.AddDays(-7)) with
        {
            Promises = [new(1, Today.AddDays(-10), Today.AddDays(due), 5000)],
        };
        PromiseLedger.On(account, Today, BusinessCalendar.WeekendsOnly).All[0].State.ShouldBe(state);
        var check = Check(1, account);
        check.Findings.Any(f => f.Kind == CheckFinding.PromiseBroken).ShouldBe(found);
        if (found)
            check.Findings[0].Beyond.ShouldBe(Given.Pounds((5000 - received) / 100m));
        // A later promise does not make up for it; one that was withdrawn never was.
        Check(1, account with { Promises = [.. account.Promises, new(2, Today, Today.AddDays(3), 5000)] })
            .Findings.Count.ShouldBe(found ? 1 : 0);
        Check(1, account with { Promises = [account.Promises[0] with { WithdrawnOn = Today }] })
            .Findings.ShouldBeEmpty();
    }

    [Fact]
    public void A_group_is_judged_with_the_document_included_in_its_own_currency()
    {
        var eur = Currency.Of("EUR");
        var group = new BookGroup(1, "Windlass", eur, "", [new(DateOnly.MinValue, Money.Exact(1000, eur))], []);
        var before = GroupPosition.On(group, Today, [AccountPosition.On(Account, Today, Given.Positions())], Rates);
        before.Exposure.ShouldBe(Money.Exact(750, eur));
        Check(200, groups: before).Findings.ShouldBeEmpty();
        var finding = Check(240, groups: before).Findings.Single();
        (finding.Kind, finding.Response, finding.Beyond).ShouldBe(
            (CheckFinding.GroupOverLimit, CheckResponse.Ask, Given.Pounds(40))
        );
        finding.Text.ShouldBe("Windlass over its limit by 50.00 EUR");
    }

    [Fact]
    public void A_group_whose_rate_is_missing_is_never_passed_over_in_silence()
    {
        var usd = Currency.Of("USD");
        var group = new BookGroup(1, "Fairwater", usd, "", [new(DateOnly.MinValue, Money.Exact(1_000_000, usd))], []);
        var position = GroupPosition.On(group, Today, [AccountPosition.On(Account, Today, Given.Positions())], Rates);
        Check(1, groups: position).Findings.Single().Text.ShouldContain("no rate of USD for 16 Mar 2026");
    }

    [Fact]
    public void Each_finding_has_the_response_of_the_account()
    {
        var all = Account with
        {
            States = [new(Today, AccountState.Stop)],
            Limits = [new(DateOnly.MinValue, Given.Pounds(1), ReviewOn: new(2026, 1, 1))],
            Promises = [new(1, new(2026, 2, 1), new(2026, 2, 2), 100)],
        };
        foreach (
            var kind in new[]
            {
                CheckFinding.OverLimit,
                CheckFinding.Overdue,
                CheckFinding.OnStop,
                CheckFinding.ReviewLapsed,
                CheckFinding.TermsNotConfirmed,
                CheckFinding.PromiseBroken,
            }
        )
        {
            var mild = Enum.GetValues<CheckFinding>()
                .Aggregate(new CheckResponses { OverdueDays = 1 }, (r, f) => r.With(f, CheckResponse.Tell));
            Check(1, all, mild, confirmed: false).Answer.ShouldBe(CheckResponse.Tell);
            Check(1, all, mild.With(kind, CheckResponse.Ask), confirmed: false).Answer.ShouldBe(CheckResponse.Ask);
        }
    }
}
