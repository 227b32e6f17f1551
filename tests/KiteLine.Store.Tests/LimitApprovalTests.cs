using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

public sealed class LimitApprovalTests : IDisposable
{
    private static readonly DateOnly Today = TestBooks.Today;
    private static readonly Actor Ada = new("A. Da", Role.Controller, new(6000, 500, 0, 0));
    private static readonly Actor Bea = new("B. Ea", Role.Controller, new(20_000, 5000, 100, 50));
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    private LimitRequest? Propose(
        Actor who,
        decimal amount,
        DateOnly? from = null,
        DateOnly? until = null,
        DateOnly? review = null,
        decimal insured = 0
    ) =>
        _t.Books.Write(
            who,
            tx =>
                LimitDesk.Propose(
                    tx,
                    LimitHolder.Of(_t.Account),
                    new(
                        (long)(amount * 100),
                        from ?? Today,
                        until,
                        "more business",
                        Insured: (long)(insured * 100),
                        ReviewOn: review
                    )
                )
        );

    private LimitRequest Answer(Actor who, long id, bool yes, string reason = "known for years") =>
        _t.Books.Write(who, tx => LimitDesk.Answer(tx, id, yes, reason));

    private static string Refused(Func<object?> act) => Should.Throw<RefusedException>(act).Problems[0].Message;

    private long Limit =>
        AccountPosition
            .On(_t.Books.Read(c => BookLoader.Standing(c, [_t.Account.Id]))[0], Today, TestBooks.Positions)
            .EffectiveLimit;

    [Fact]
    public void Within_authority_a_limit_holds_at_once_and_above_it_waits_for_somebody_else()
    {
        Propose(Ada, 6000).ShouldBeNull();
        Limit.ShouldBe(600_000);
        var request = Propose(Ada, 6000.01m)!;
        (request.State, request.AskedBy, request.Resulting.Minor, request.ExpiresOn).ShouldBe(
            (RequestState.Asked, "A. Da", 600_001, Today.AddDays(14))
        );
        Limit.ShouldBe(600_000);
        Refused(() => Answer(Ada, request.Id, true)).ShouldStartWith("Somebody else must answer");
        Answer(Bea, request.Id, true).State.ShouldBe(RequestState.Approved);
        Limit.ShouldBe(600_001);
        Refused(() => Answer(Bea, request.Id, true)).ShouldContain("approved by B. Ea already");
        _t.Books.Read(c => LimitStore.History(c, LimitHolder.Of(_t.Account)))
            .First(e => e.Kind == LimitEventKind.Limit)
            .Reason.ShouldBe("more business; asked by A. Da");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Lowering_takes_no_authority_and_an_uplift_is_measured_by_where_it_leads()
    {
        Propose(Bea, 15_000).ShouldBeNull();
        Propose(Ada, 14_000).ShouldBeNull();
        Propose(Ada, 4000).ShouldBeNull();
        Propose(Ada, 2000, until: Today.AddDays(10)).ShouldBeNull();
        Limit.ShouldBe(600_000);
        Propose(Ada, 1, Today.AddDays(11), Today.AddDays(12)).ShouldBeNull();
        Propose(Ada, 2000.01m, Today.AddDays(20), Today.AddDays(30)).ShouldNotBeNull();
    }

    [Fact]
    public void A_request_is_refused_withdrawn_or_expires_and_may_then_be_asked_again()
    {
        var first = Propose(Ada, 9000)!;
        Refused(() => Propose(Ada, 9500)).ShouldContain("asked for 9000.00");
        Refused(() => _t.Books.Write(Bea, tx => LimitDesk.Withdraw(tx, first.Id, ""))).ShouldStartWith("Only A. Da");
        _t.Books.Write(Ada, tx => LimitDesk.Withdraw(tx, first.Id, "typed wrong"))
            .State.ShouldBe(RequestState.Withdrawn);
        var second = Propose(Ada, 9500)!;
        Refused(() => Answer(Bea, second.Id, false, " ")).ShouldStartWith("Give the reason");
        Answer(Bea, second.Id, false, "not before the accounts").State.ShouldBe(RequestState.Refused);
        var third = Propose(Ada, 9500)!;
        _t.Books.Write(
            "later",
            tx =>
                CompanyStore.Change(
                    tx,
                    CompanyStore.Settings(tx.Connection) with
                    {
                        PinnedBusinessDate = third.ExpiresOn.AddDays(1),
                    },
                    CompanyStore.Get(tx.Connection).Version
                )
        );
        Refused(() => Answer(Bea, third.Id, true)).ShouldContain("expired on 30 Mar 2026");
        _t.Books.Read(c => LimitDesk.Of(c, LimitHolder.Of(_t.Account), third.ExpiresOn.AddDays(1)))
            .Select(r => r.State)
            .ShouldBe([RequestState.Expired, RequestState.Refused, RequestState.Withdrawn]);
        _t.Books.Read(c => LimitDesk.Open(c, third.ExpiresOn.AddDays(1))).ShouldBeEmpty();
        Limit.ShouldBe(500_000);
    }

    [Fact]
    public void Who_approves_needs_the_authority_too_even_after_the_limit_was_changed_meanwhile()
    {
        var request = Propose(Ada, 9000, until: Today.AddDays(30))!;
        request.Resulting.Minor.ShouldBe(1_400_000);
        Propose(Bea, 18_000).ShouldBeNull();
        Refused(() => Answer(Bea, request.Id, true)).ShouldContain("above your authority too");
    }

    [Fact]
    public void Limits_are_refused_into_closed_periods_and_uplifts_that_overlap()
    {
        _t.Write(tx =>
            CompanyStore.Change(
                tx,
                CompanyStore.Settings(tx.Connection) with
                {
                    ClosedThrough = new(2026, 2, 28),
                },
                CompanyStore.Get(tx.Connection).Version
            )
        );
        Refused(() => Propose(Bea, 100, new(2026, 2, 28))).ShouldContain("closed through 28 Feb 2026");
        Propose(Bea, 100, new(2026, 3, 1), new(2026, 3, 20)).ShouldBeNull();
        Refused(() => Propose(Bea, 100, new(2026, 3, 20), new(2026, 4, 20)))
            .ShouldContain("Another uplift holds from 1 Mar 2026 to 20 Mar 2026");
        Refused(() => Propose(Bea, 100, new(2026, 3, 30), new(2026, 3, 29)))
            .ShouldStartWith("The uplift ends on or after");
        Refused(() => Propose(Bea, 100, insured: 101)).ShouldContain("insured");
        Refused(() => Propose(Bea, 100, review: Today.AddDays(-1))).ShouldContain("review");
        var uplift = _t
            .Books.Read(c => LimitStore.History(c, LimitHolder.Of(_t.Account)))
            .Single(e => e.Kind == LimitEventKind.Uplift);
        _t.Write(tx =>
        {
            LimitStore.EndUplift(tx, LimitHolder.Of(_t.Account), uplift.Id!.Value, "season over");
            return 0;
        });
        Limit.ShouldBe(500_000);
        // Its days from today on are free for another.
        Propose(Bea, 100, Today, new(2026, 4, 20)).ShouldBeNull();
        Refused(() =>
                _t.Write<object?>(tx =>
                {
                    LimitStore.EndUplift(tx, LimitHolder.Of(_t.Account), uplift.Id!.Value, "again");
                    return null;
                })
            )
            .ShouldContain("ended already");
    }

    [Fact]
    public void Authority_in_another_currency_is_measured_with_the_rate_of_the_day_or_refused_without_one()
    {
        var account = _t.Write(tx =>
            AccountStore.Open(tx, new("Osprey Voiles", Currency: Currency.Of("EUR"), Limit: 100))
        );
        LimitRequest? Ask(decimal amount) =>
            _t.Books.Write(
                Ada,
                tx => LimitDesk.Propose(tx, LimitHolder.Of(account), new((long)(amount * 100), Today, null, "spring"))
            );
        Refused(() => Ask(5000)).ShouldContain("no rate of EUR for 16 Mar 2026");
        _t.Write(tx => RateStore.Add(tx, [new(Currency.Of("EUR"), Today, 0.8m, Source: "typed")]));
        Ask(7500).ShouldBeNull();
        Ask(7500.02m).ShouldNotBeNull();
    }

    [Fact]
    public void A_new_account_starts_within_authority_or_with_the_usual_limit()
    {
        Account Open(decimal? limit, string name) =>
            _t.Books.Write(
                new Actor("S. Mall", Role.Controller, Authority.None),
                tx => AccountStore.Open(tx, new(name, Limit: limit))
            );
        Open(null, "Usual Rope").Code.ShouldBe("USU01");
        Refused(() => Open(1000.01m, "More Rope")).ShouldContain("above your authority");
    }

    [Fact]
    public void Groups_have_limits_of_their_own_and_never_contain_themselves()
    {
        var (a, b) = _t.Write(tx =>
            (GroupStore.Add(tx, "Windlass", Currency.Of("EUR")), GroupStore.Add(tx, "Windlass North", null, "windlass"))
        );
        Refused(() => _t.Write(tx => GroupStore.Change(tx, "Windlass", a.Currency, "Windlass North", a.Version, "")))
            .ShouldContain("would contain itself");
        Refused(() => _t.Write(tx => GroupStore.Change(tx, "Windlass", a.Currency, "Windlass", a.Version, "")))
            .ShouldContain("would contain itself");
        Refused(() => _t.Write(tx => GroupStore.Add(tx, "WINDLASS", null))).ShouldContain("already");
        Refused(() => _t.Write(tx => GroupStore.Add(tx, "Other", null, "Nobody"))).ShouldContain("no group ‘Nobody’");
        _t.Write(tx => AccountStore.Change(tx, _t.Account with { GroupName = "windlass north" }, "bought"));
        _t.Account.GroupName.ShouldBe("Windlass North");
        _t.Books.Read(c => GroupStore.Members(c, "Windlass")).ShouldBe([_t.Account.Id]);
        _t.Write(tx => LimitDesk.Propose(tx, LimitHolder.Of(a), new(500_000, Today, null, "together"))).ShouldBeNull();
        Refused(() => _t.Write(tx => GroupStore.Change(tx, "Windlass", Currency.Of("GBP"), "", a.Version, "")))
            .ShouldContain("kept in EUR");
        Should.Throw<ChangedMeanwhileException>(() =>
            _t.Write(tx => GroupStore.Change(tx, "Windlass North", b.Currency, "", 7, ""))
        );
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Rates_are_checked_corrected_and_not_doubled()
    {
        ExchangeRate Rate(string code, decimal rate, DateOnly? on = null) =>
            new(Currency.Of(code), on ?? Today, rate, Source: "typed");
        int Add(params ExchangeRate[] rates) => _t.Write(tx => RateStore.Add(tx, rates));
        Refused(() => Add(Rate("GBP", 1))).ShouldContain("base currency");
        Refused(() => Add(Rate("EUR", 0))).ShouldContain("above zero");
        Refused(() => Add(Rate("EUR", 0.8m, Today.AddDays(1)))).ShouldContain("or before");
        Add(Rate("EUR", 0.85m), Rate("USD", 0.78m)).ShouldBe(2);
        Add(Rate("EUR", 0.850m)).ShouldBe(0);
        Add(Rate("EUR", 0.86m)).ShouldBe(1);
        _t.Books.Read(c => RateStore.Rates(c, CompanyStore.Settings(c)))
            .On(Currency.Of("EUR"), Today)!
            .Rate.ShouldBe(0.86m);
        Should
            .Throw<Microsoft.Data.Sqlite.SqliteException>(() =>
                _t.Write(tx => tx.Connection.Execute("UPDATE exchange_rate SET rate = '1'"))
            )
            .Message.ShouldContain("append-only");
    }

    [Fact]
    public void Allowing_an_unearned_discount_or_writing_off_more_takes_authority()
    {
        var item = _t.Invoice(1000, "2026-02-01");
        Effect<Payment> Pay(Actor who, decimal cash, DiscountChoice choice, bool writeOff) =>
            _t.Books.Write(
                who,
                tx =>
                    _t.Receipts.Take(
                        tx,
                        "PEL01",
                        new(
                            Today,
                            cash,
                            "",
                            new Dictionary<long, PaymentChoice>
                            {
                                [item] = new(choice, writeOff ? WriteOffChoice.Whole : WriteOffChoice.Proposed),
                            },
                            "goodwill"
                        )
                    )
            );
        Refused(() => Pay(Ada, 980, DiscountChoice.Grant, false)).ShouldContain("The unearned discount of 20.00");
        Refused(() => Pay(Bea, 900, DiscountChoice.Refuse, true)).ShouldContain("Writing off 100.00");
        var line = Pay(Bea, 950, DiscountChoice.Refuse, true).Detail.Lines.Single().Settlement;
        (line.WriteOff, line.StaysOpen).ShouldBe(
            (Money.Exact(50, line.Cash.Currency), Money.Exact(0, line.Cash.Currency))
        );
        _t.Off().ShouldBeEmpty();
    }
}
