using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

public sealed class OrderTests : IDisposable
{
    private static readonly DateOnly Today = TestBooks.Today;
    private static readonly Actor Clerk = new("C. Lerk", Role.Controller, Authority.None);
    private static readonly Actor Boss = new("B. Oss", Role.Manager, new(null, 2000, null, null));
    private readonly TestBooks _t = new();

    public OrderTests() =>
        _t.Write(tx =>
            AccountStore.Change(
                tx,
                _t.Account with
                {
                    Profile = _t.Account.Profile with { TermsAgreedOn = new(2024, 1, 1) },
                },
                ""
            )
        );

    public void Dispose() => _t.Dispose();

    private static Money Pounds(decimal amount) => Money.Exact(amount, Currency.Of("GBP"));

    private OrderOutcome Enter(decimal total, string number = "SO-1", string reason = "") =>
        _t.Books.Write(
            Clerk,
            tx => OrderDesk.Enter(tx, _t.Account, new(number, Today, Pounds(total), [], Reason: reason))
        );

    private OrderOutcome Release(
        Actor who,
        SalesOrder order,
        decimal? amount = null,
        DateOnly? until = null,
        string reason = "agreed"
    ) =>
        _t.Books.Write(
            who,
            tx =>
                OrderDesk.Carry(
                    tx,
                    OrderDesk.Release(
                        tx.Connection,
                        order.Id,
                        order.Last.Seq,
                        amount is { } a ? Pounds(a) : null,
                        until,
                        reason,
                        tx.Actor.Authority,
                        tx.Rules()
                    )
                )
        );

    private Effect<InvoiceOutcome> Invoice(decimal gross, SalesOrder? order, string reason = "") =>
        _t.Books.Write(
            Clerk,
            tx =>
                InvoiceDesk.Post(
                    tx,
                    _t.Account,
                    new(null, Today, new(Pounds(gross), Pounds(0), Pounds(0)), "n/30", "", order?.Id, null, reason)
                )
        );

    private AccountPosition Position => _t.Books.Read(c => Rules.Position(c, _t.Account, Today));

    private static string Refused(Func<object?> act) => Should.Throw<RefusedException>(act).Problems[0].Message;

    [Fact]
    public void An_order_within_the_limit_is_approved_and_one_beyond_it_held()
    {
        Enter(5000).Order.State(Today).ShouldBe(OrderState.Approved);
        var held = Enter(0.01m, "SO-2");
        held.Order.State(Today).ShouldBe(OrderState.Held);
        held.Check!.Findings.Single().Kind.ShouldBe(CheckFinding.OverLimit);
        held.Order.Last.Findings.Single().Text.ShouldBe("Over the limit by 0.01 GBP");
        (Position.Orders, Position.Held).ShouldBe((500_000, 1));
        Refused(() => Enter(1)).ShouldContain("‘SO-1’ already");
    }

    [Fact]
    public void What_asks_for_a_reason_goes_on_with_one_and_is_held_without()
    {
        _t.Invoice(1000, "2025-12-01", terms: "n/30");
        Enter(10).Order.State(Today).ShouldBe(OrderState.Held);
        Enter(10, "SO-2", "cash promised for Friday").Order.State(Today).ShouldBe(OrderState.Approved);
    }

    [Fact]
    public void A_release_takes_authority_and_a_reason_in_full_in_part_or_until_a_day()
    {
        var order = Enter(6500).Order;
        Refused(() => Release(Clerk, order)).ShouldContain("You may not release");
        Refused(() => Release(Boss, order, reason: " ")).ShouldContain("reason");
        Release(Boss, order, 6000).Order.State(Today).ShouldBe(OrderState.PartHeld);
        Position.Exposure.ShouldBe(600_000);
        var now = _t.Books.Read(c => OrderStore.Get(c, order.Id));
        var (whole, check) = Release(Boss, now, until: Today.AddDays(5));
        check!.OverLimit.ShouldBe(Pounds(1500));
        (whole.State(Today.AddDays(5)), whole.State(Today.AddDays(6))).ShouldBe((OrderState.Approved, OrderState.Held));
        (whole.Last.Kind, whole.Last.MadeBy, whole.Last.Reason).ShouldBe((OrderStepKind.Released, "B. Oss", "agreed"));

        var big = Enter(9000, "SO-2").Order;
        Refused(() => Release(Boss, big)).ShouldContain("over the limit by 10500.00 GBP, above your authority");
        Release(Boss, big, 500).Order.Last.Step.Approved.ShouldBe(50_000);
    }

    [Fact]
    public async Task Of_two_releases_at_once_one_is_told_that_somebody_was_faster()
    {
        var order = Enter(6000).Order;
        var outcomes = await Task.WhenAll(
            Enumerable
                .Range(0, 4)
                .Select(i =>
                    Task.Run(() =>
                    {
                        try
                        {
                            Release(Boss, order, reason: $"attempt {i}");
                            return "released";
                        }
                        catch (ChangedMeanwhileException)
                        {
                            return "too late";
                        }
                    })
                )
        );
        outcomes.Count(o => o == "released").ShouldBe(1);
        outcomes.Count(o => o == "too late").ShouldBe(3);
        _t.Books.Read(c => OrderStore.Get(c, order.Id)).Events.Count.ShouldBe(2);
        Position.Orders.ShouldBe(600_000);
    }

    [Fact]
    public void An_invoice_of_an_order_moves_the_exposure_and_never_counts_twice()
    {
        var order = Enter(3000).Order;
        Position.Exposure.ShouldBe(300_000);
        var first = Invoice(1200, order);
        (Position.OpenItems, Position.Orders, Position.Exposure).ShouldBe((120_000, 180_000, 300_000));
        Refused(() => Invoice(1800.01m, order)).ShouldContain("More is invoiced than is approved");
        Invoice(1800, order).Detail.Order!.State(Today).ShouldBe(OrderState.Invoiced);
        (Position.OpenItems, Position.Orders).ShouldBe((300_000, 0));
        _t.Write(tx => ReversalDesk.Reverse(tx, first.EntryId, "wrong address"));
        (Position.OpenItems, Position.Orders, Position.Exposure).ShouldBe((180_000, 120_000, 300_000));
        _t.Books.Read(c => OrderStore.Get(c, order.Id)).State(Today).ShouldBe(OrderState.Approved);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void An_invoice_without_an_order_is_checked_like_one()
    {
        Refused(() => Invoice(5000.01m, null)).ShouldContain("The check refuses it: Over the limit by 0.01 GBP");
        Invoice(5000, null).Detail.Check!.Answer.ShouldBeNull();
        _t.Write(tx =>
        {
            LimitStore.ChangeState(tx, _t.Account, AccountState.Stop, Today, "unpaid");
            return 0;
        });
        Refused(() => Invoice(1, null)).ShouldContain("on stop");
    }

    [Fact]
    public void An_order_that_grows_is_checked_again_and_its_growth_held()
    {
        var order = Enter(4000).Order;
        OrderOutcome Change(SalesOrder o, decimal total) =>
            _t.Books.Write(
                Clerk,
                tx =>
                    OrderDesk.Carry(
                        tx,
                        OrderDesk.Change(tx.Connection, o.Id, o.Last.Seq, Pounds(total), [], "", tx.Rules())
                    )
            );
        var fits = Change(order, 5000);
        (fits.Order.State(Today), fits.Check!.Answer).ShouldBe((OrderState.Approved, null));
        var grown = Change(fits.Order, 5200);
        grown.Order.State(Today).ShouldBe(OrderState.PartHeld);
        (Position.Orders, Position.Held).ShouldBe((500_000, 20_000));
        var released = Release(Boss, grown.Order).Order;
        var shrunk = Change(released, 1000);
        (shrunk.Check, Position.Orders).ShouldBe((null, 100_000));
        Should.Throw<ChangedMeanwhileException>(() => Change(order, 1));
    }

    [Fact]
    public void An_order_is_declined_closed_or_waits_for_a_deposit()
    {
        var order = Enter(6000).Order;
        OrderOutcome Deposit(SalesOrder o, decimal amount) =>
            _t.Books.Write(
                Clerk,
                tx =>
                    OrderDesk.Carry(
                        tx,
                        OrderDesk.AskDeposit(tx.Connection, o.Id, o.Last.Seq, Pounds(amount), "half first", tx.Rules())
                    )
            );
        Refused(() => Deposit(order, 6000.01m)).ShouldContain("A deposit is");
        var waiting = Deposit(order, 3000).Order;
        (waiting.State(Today), waiting.Last.Deposit).ShouldBe((OrderState.AwaitingDeposit, 300_000));
        var declined = _t
            .Books.Write(
                Clerk,
                tx =>
                    OrderDesk.Carry(
                        tx,
                        OrderDesk.End(tx.Connection, waiting.Id, waiting.Last.Seq, true, "no deposit came", tx.Rules())
                    )
            )
            .Order;
        declined.State(Today).ShouldBe(OrderState.Declined);
        Refused(() => Release(Boss, declined)).ShouldContain("is over");
        var other = Enter(100, "SO-2").Order;
        _t.Books.Write(
                Clerk,
                tx => OrderDesk.Carry(tx, OrderDesk.End(tx.Connection, other.Id, 1, false, "cancelled", tx.Rules()))
            )
            .Order.State(Today)
            .ShouldBe(OrderState.Closed);
        Position.Orders.ShouldBe(0);
        Refused(() => Deposit(_t.Books.Read(c => OrderStore.Get(c, other.Id)), 1))
            .ShouldContain("Nothing of this order is held");
    }

    [Fact]
    public void Amounts_dates_and_currencies_of_an_order_are_checked()
    {
        OrderOutcome With(Func<NewOrder, NewOrder> change) =>
            _t.Books.Write(Clerk, tx => OrderDesk.Enter(tx, _t.Account, change(new("SO-9", Today, Pounds(100), []))));
        Refused(() => With(o => o with { Total = Money.Exact(100, Currency.Of("EUR")) })).ShouldContain("kept in GBP");
        Refused(() => With(o => o with { Total = Pounds(0) })).ShouldContain("above zero");
        Refused(() => With(o => o with { Date = Today.AddDays(1) })).ShouldContain("business date");
        Refused(() => With(o => o with { Number = "" })).ShouldContain("number");
        Refused(() => With(o => o with { Deliveries = [new(Today, 9_999)] })).ShouldContain("add up to 99.99");
    }

    [Fact]
    public void A_process_that_dies_between_check_and_store_leaves_nothing_behind()
    {
        Should.Throw<InvalidOperationException>(() =>
            _t.Books.Write<int>(
                Clerk,
                tx =>
                {
                    OrderDesk.Enter(tx, _t.Account, new("SO-1", Today, Pounds(5000), []));
                    throw new InvalidOperationException("the process ends here");
                }
            )
        );
        // A second program that was cut off holds neither lock nor half an order.
        using (var other = _t.Books.Connect())
        using (var cut = other.BeginTransaction(System.Data.IsolationLevel.Serializable, deferred: false))
            other.Execute(
                "INSERT INTO sales_order (account_id, number, date, source, made_by, made_at) VALUES (1, 'SO-1', "
                    + "'2026-03-16', 'typed', 'x', 'x')"
            );
        Position.Orders.ShouldBe(0);
        Enter(5000).Order.State(Today).ShouldBe(OrderState.Approved);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Two_orders_that_fit_one_by_one_do_not_both_pass_together()
    {
        Parallel.For(0, 8, i => Enter(1500, $"SO-{i}"));
        Position.Orders.ShouldBe(450_000);
        Position.Held.ShouldBe(750_000);
    }

    [Fact]
    public void The_group_and_its_accounts_in_other_currencies_are_part_of_the_check()
    {
        var other = _t.Write(tx =>
        {
            AccountStore.Change(tx, _t.Account with { GroupName = "Windlass" }, "");
            return AccountStore.Open(
                tx,
                new("Osprey Voiles", Currency: Currency.Of("EUR"), Limit: 9000, GroupName: "windlass")
            );
        });
        _t.Write(tx =>
            LimitDesk.Propose(
                tx,
                LimitHolder.Of(GroupStore.Get(tx.Connection, "Windlass")),
                new(100_000, Today, null, "together")
            )
        );
        Enter(100).Check!.Findings.Single().Text.ShouldContain("no rate of EUR");
        _t.Write(tx => RateStore.Add(tx, [new(Currency.Of("EUR"), Today, 0.8m, Source: "typed")]));
        Enter(1000, "SO-2").Check!.Findings.ShouldBeEmpty();
        var over = _t.Books.Write(
            Clerk,
            tx => OrderDesk.Enter(tx, other, new("PO-1", Today, Money.Exact(125, other.Currency), []))
        );
        over.Check!.Findings.Select(f => f.Kind)
            .ShouldBe([CheckFinding.GroupOverLimit, CheckFinding.TermsNotConfirmed]);
        over.Check.Findings[0].Text.ShouldBe("Windlass over its limit by 100.00 GBP");
    }

    [Fact]
    public void A_release_is_measured_by_the_groups_limit_too_and_not_at_all_without_a_rate()
    {
        var other = _t.Write(tx =>
        {
            var account = AccountStore.Get(tx.Connection, "PEL01");
            AccountStore.Change(
                tx,
                account with
                {
                    GroupName = "Windlass",
                    Profile = account.Profile with { Responses = new() { GroupOverLimit = CheckResponse.Refuse } },
                },
                ""
            );
            return AccountStore.Open(
                tx,
                new("Osprey Voiles", Currency: Currency.Of("EUR"), Limit: 9000, GroupName: "Windlass")
            );
        });
        _t.Write(tx =>
            LimitDesk.Propose(
                tx,
                LimitHolder.Of(GroupStore.Get(tx.Connection, "Windlass")),
                new(100_000, Today, null, "together")
            )
        );
        // The account itself stays within its 5,000.
        var order = Enter(3500).Order;
        order.State(Today).ShouldBe(OrderState.Held);
        Refused(() => Release(Boss, order)).ShouldContain("no rate of EUR");
        _t.Write(tx => RateStore.Add(tx, [new(other.Currency, Today, 0.8m, Source: "typed")]));
        Refused(() => Release(Boss, order)).ShouldContain("over the limit by 2500.00 GBP, above your authority");
        var part = Release(Boss, order, 3000);
        (part.Order.State(Today), part.Check!.OverLimit).ShouldBe((OrderState.PartHeld, Pounds(2000)));
        Release(new("C. Hief", Role.Manager, Authority.Unbounded), part.Order)
            .Order.State(Today)
            .ShouldBe(OrderState.Approved);
    }

    [Fact]
    public void Promises_and_disputes_are_noted_judged_and_settled()
    {
        var item = _t.Invoice(1000, "2026-01-10", terms: "n/30");
        _t.Books.Write(
            Clerk,
            tx =>
            {
                PromiseStore.Add(tx, _t.Account, Pounds(600), Today.AddDays(2), "Ada", "by transfer");
                DisputeStore.Raise(tx, _t.Account, item, Pounds(400), "C. Lerk", "came short");
                return 0;
            }
        );
        Position.Promise?.State.ShouldBe(PromiseState.Waiting);
        Position.Disputed.ShouldBe(40_000);
        Refused(() =>
                _t.Write<object?>(tx =>
                {
                    DisputeStore.Raise(tx, _t.Account, item, null, "", "again");
                    return null;
                })
            )
            .ShouldContain("disputed already");
        _t.Pay(600, "2026-03-16", item);
        Position.Promise?.State.ShouldBe(PromiseState.Kept);
        // Disputed is never more than is still open.
        Position.Disputed.ShouldBe(40_000);
        _t.Write(tx =>
        {
            DisputeStore.Settle(
                tx,
                _t.Account,
                DisputeStore.Of(tx.Connection, _t.Account)[0].Id,
                "credit note to come",
                againstCustomer: false
            );
            PromiseStore.Withdraw(tx, _t.Account, PromiseStore.Of(tx.Connection, _t.Account)[0].Id, "noted twice");
            return 0;
        });
        (Position.Disputed, Position.Promise?.State).ShouldBe((0, null));
        Refused(() =>
                _t.Write<object?>(tx =>
                {
                    PromiseStore.Add(tx, _t.Account, Pounds(1), Today.AddDays(-1), "", "");
                    return null;
                })
            )
            .ShouldContain("today or a day within a year");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_receipt_clears_by_its_methods_days_and_a_past_day_stays_as_it_was_shown()
    {
        var item = _t.Invoice(1000, "2026-03-01", terms: "n/30");
        _t.Write(tx =>
            _t.Receipts.Take(tx, "PEL01", TestBooks.Request(400, "2026-03-14", item) with { Method = "CHEQUE" })
        );
        var counts = new ExposureSettings(UnclearedCount: true);
        AccountPosition On(DateOnly day) =>
            _t.Books.Read(c =>
                AccountPosition.On(
                    BookLoader.Load(c, [_t.Account.Id])[0],
                    day,
                    TestBooks.Positions with
                    {
                        Exposure = counts,
                    }
                )
            );
        On(Today).Exposure.ShouldBe(100_000);
        On(Today).Uncleared.ShouldBe(40_000);
        // Five days from its value date; posted on the 16th, it was not known on the 15th.
        On(new(2026, 3, 19)).Exposure.ShouldBe(60_000);
        On(new(2026, 3, 15)).OpenItems.ShouldBe(0);
    }
}
