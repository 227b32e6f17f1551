using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>
/// Whatever happens to orders in whatever sequence, exposure moves only as it may and nothing counts twice.
/// </summary>
public sealed class AnyOrdersTests : IDisposable
{
    private static readonly Actor Clerk = new("C. Lerk", Role.Controller, Authority.None with { WriteOff = null });
    private static readonly Actor Boss = new("B. Oss", Role.Manager, new(null, 1500, null, null));
    private readonly TestBooks _t = new();
    private readonly SnapshotKeeper _keeper;
    private DateOnly _day = TestBooks.Today;

    public AnyOrdersTests()
    {
        _keeper = new(_t.Books);
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
    }

    public void Dispose()
    {
        _keeper.Dispose();
        _t.Dispose();
    }

    private AccountPosition Position => AccountPosition.On(_keeper.Current.Find("PEL01")!, _day, TestBooks.Positions);

    private IReadOnlyList<SalesOrder> Orders => _t.Books.Read(c => OrderStore.Of(c, _t.Account));

    private T As<T>(Actor who, Func<Tx, T> act) =>
        _t.Books.Write(
            who,
            tx =>
            {
                tx.ActingOn = _day;
                return act(tx);
            }
        );

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    public void Exposure_moves_only_as_each_step_allows(int seed)
    {
        var random = new Random(seed);
        var done = new HashSet<string>();
        for (var step = 0; step < 140; step++)
        {
            if (random.Next(12) == 0)
                _day = _day.AddDays(1);
            var before = Position;
            var (what, act, allowed) = Choose(random);
            try
            {
                act();
                done.Add(what);
            }
            catch (RefusedException)
            {
                Position.Exposure.ShouldBe(before.Exposure, "a refusal changes nothing");
                continue;
            }

            allowed(before, Position);
            Sound();
        }

        done.Order().ShouldBe(["change", "close", "deposit", "enter", "invoice", "pay", "release", "reverse"]);
        _t.Off().ShouldBeEmpty();
        var loaded = _t.Books.Read(c => BookLoader.Load(c, [_t.Account.Id]))[0];
        loaded.Orders.SelectMany(o => o.Steps).ShouldBe(_keeper.Current.Accounts[0].Orders.SelectMany(o => o.Steps));
    }

    private (string What, Action Act, Action<AccountPosition, AccountPosition> Allowed) Choose(Random random)
    {
        Money Some(int most) => Money.FromMinor(random.Next(1, most), Currency.Of("GBP"));
        // A closed order takes nothing any more, but its invoice can still be taken back.
        SalesOrder One(bool held = false) =>
            Orders.Where(o => !held || o.Last.Step.Held(_day) > 0).ToArray() is { Length: > 0 } all
                ? all[random.Next(all.Length)]
                : throw new RefusedException("order", "There is none.");
        return random.Next(10) switch
        {
            0 or 1 => (
                "enter",
                () =>
                    As(
                        Clerk,
                        tx => OrderDesk.Enter(tx, _t.Account, new($"SO-{Orders.Count}", _day, Some(250_000), []))
                    ),
                WithinTheLimit
            ),
            2 or 3 => (
                "invoice",
                () =>
                    As(
                        Clerk,
                        tx =>
                        {
                            var order = One();
                            var left = Money.FromMinor(
                                Math.Max(1, order.Last.Step.NotInvoiced(_day)),
                                order.Account.Currency
                            );
                            var gross = random.Next(2) == 0 ? left : Some((int)left.Minor + 200);
                            return InvoiceDesk.Post(
                                tx,
                                _t.Account,
                                new(
                                    null,
                                    _day,
                                    new(gross, gross - gross, gross - gross),
                                    "n/60",
                                    "",
                                    order.Id,
                                    order.Last.Seq
                                )
                            );
                        }
                    ),
                Same
            ),
            4 or 5 => (
                "release",
                () =>
                    As(
                        Boss,
                        tx =>
                        {
                            var order = One();
                            var part = random.Next(2) == 0 ? (Money?)null : Some(100_000);
                            return OrderDesk.Carry(
                                tx,
                                OrderDesk.Release(
                                    tx.Connection,
                                    order.Id,
                                    order.Last.Seq,
                                    part,
                                    random.Next(3) == 0 ? _day.AddDays(random.Next(3)) : null,
                                    "agreed",
                                    tx.Actor.Authority,
                                    tx.Rules()
                                )
                            );
                        }
                    ),
                (b, a) =>
                    a.Exposure.ShouldBeLessThanOrEqualTo(
                        Math.Max(Math.Max(b.Exposure, a.EffectiveLimit), a.EffectiveLimit + 150_000),
                        "within authority"
                    )
            ),
            6 => (
                "change",
                () =>
                    As(
                        Clerk,
                        tx =>
                        {
                            var order = One();
                            return OrderDesk.Carry(
                                tx,
                                OrderDesk.Change(
                                    tx.Connection,
                                    order.Id,
                                    order.Last.Seq,
                                    Some(300_000),
                                    [],
                                    "",
                                    tx.Rules()
                                )
                            );
                        }
                    ),
                WithinTheLimit
            ),
            7 => random.Next(2) == 0
                ? (
                    "close",
                    () =>
                        As(
                            Clerk,
                            tx =>
                                One() is var o
                                    ? OrderDesk.Carry(
                                        tx,
                                        OrderDesk.End(
                                            tx.Connection,
                                            o.Id,
                                            o.Last.Seq,
                                            random.Next(2) == 0,
                                            "enough",
                                            tx.Rules()
                                        )
                                    )
                                    : null
                        ),
                    Falls
                )
                : (
                    "deposit",
                    () =>
                        As(
                            Clerk,
                            tx =>
                                One(held: true) is var o
                                    ? OrderDesk.Carry(
                                        tx,
                                        OrderDesk.AskDeposit(
                                            tx.Connection,
                                            o.Id,
                                            o.Last.Seq,
                                            Some(50_000),
                                            "half first",
                                            tx.Rules()
                                        )
                                    )
                                    : null
                        ),
                    Same
                ),
            8 => (
                "pay",
                () => As(Clerk, tx => _t.Receipts.Take(tx, "PEL01", new(_day, Some(120_000).Amount, "", Open(tx)))),
                Falls
            ),
            _ => (
                "reverse",
                () =>
                    As(
                        Clerk,
                        tx =>
                        {
                            var entries = tx
                                .Connection.Query<long>(
                                    "SELECT e.id FROM entry e JOIN document d ON d.entry_id = e.id AND d.order_id IS NOT NULL"
                                )
                                .ToArray();
                            if (entries.Length == 0)
                                throw new RefusedException("entry", "Nothing was invoiced yet.");
                            return ReversalDesk.Reverse(tx, entries[random.Next(entries.Length)], "wrong address");
                        }
                    ),
                Falls
            ),
        };
    }

    private Dictionary<long, PaymentChoice> Open(Tx tx) =>
        _t
            .Items.Items(tx.Connection, _t.Account)
            .Where(i => i.OpenAsShown(_day).Minor > 0)
            .Take(2)
            .ToDictionary(i => i.Id, _ => new PaymentChoice());

    private static void WithinTheLimit(AccountPosition before, AccountPosition after) =>
        after.Exposure.ShouldBeLessThanOrEqualTo(Math.Max(before.Exposure, after.EffectiveLimit));

    private static void Same(AccountPosition before, AccountPosition after) => after.Exposure.ShouldBe(before.Exposure);

    private static void Falls(AccountPosition before, AccountPosition after) =>
        after.Exposure.ShouldBeLessThanOrEqualTo(before.Exposure);

    private void Sound()
    {
        var orders = Orders;
        foreach (var o in orders)
        {
            var s = o.Last.Step;
            if (!s.Over)
                (s.Invoiced + s.NotInvoiced(_day) + s.Held(_day)).ShouldBe(s.Total, $"{o.Number} on {_day}");
            s.Invoiced.ShouldBe(
                _t.Books.Read(c =>
                    c.ExecuteScalar<long>(
                        "SELECT coalesce(sum(d.net + d.tax), 0) FROM document d WHERE d.order_id = @Id AND NOT "
                            + "EXISTS (SELECT 1 FROM entry r WHERE r.reverses = d.entry_id)",
                        new { o.Id }
                    )
                ),
                o.Number
            );
        }

        var p = Position;
        p.Orders.ShouldBe(orders.Sum(o => o.Last.Step.NotInvoiced(_day)));
        p.Held.ShouldBe(orders.Sum(o => o.Last.Step.Held(_day)));
        p.Exposure.ShouldBe(p.OpenItems + p.Orders);
    }
}
