using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

public sealed class LedgerTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    [Fact]
    public void A_payment_with_discount_settles_the_item_and_the_books_stay_sound()
    {
        var id = _t.Invoice(1000, "2026-03-10", tax: 200);
        var effect = _t.Pay(1176, "2026-03-16", id);
        effect
            .Journal.Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["Bank 1176.00", "DiscountsAllowed 20.00", "OutputTax 4.00", "Receivables -1200.00"]);
        effect.Before.Exposure.ShouldBe(120_000);
        effect.After.Exposure.ShouldBe(0);
        _t.Item(id).OpenAsShown(TestBooks.Today).IsZero.ShouldBeTrue();
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void What_is_left_over_stays_on_account_as_a_credit()
    {
        var id = _t.Invoice(100, "2026-02-01");
        var effect = _t.Pay(130, "2026-03-16", id);
        effect.Detail.OnAccount.ToString().ShouldBe("30.00");
        effect.After.Exposure.ShouldBe(-3_000);
        effect.Journal.Single(l => l.Purpose == PostingPurpose.CashOnAccount).Amount.ToString().ShouldBe("-30.00");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_preview_shows_the_same_and_stores_nothing()
    {
        var id = _t.Invoice(1000, "2026-03-10");
        var shown = _t.Books.Read(c =>
            _t.Receipts.Preview(
                c,
                "PEL01",
                TestBooks.Request(980, "2026-03-16", id),
                Authority.Unbounded,
                Rules.Of(c, TestBooks.Today)
            )
        );
        _t.Item(id).OpenAsShown(TestBooks.Today).ToString().ShouldBe("1000.00");
        var done = _t.Pay(980, "2026-03-16", id);
        done.Journal.ShouldBe(shown.Journal);
        done.After.Exposure.ShouldBe(shown.After.Exposure);
    }

    [Fact]
    public void Reversing_a_receipt_restores_items_discounts_and_exposure()
    {
        var id = _t.Invoice(1000, "2026-03-10");
        var before = _t.Item(id);
        var paid = _t.Pay(980, "2026-03-16", id);
        var undone = _t.Write(tx => ReversalDesk.Reverse(tx, paid.EntryId, "bounced"));
        undone.After.Exposure.ShouldBe(100_000);
        var after = _t.Item(id);
        after.OpenAsShown(TestBooks.Today).ShouldBe(before.OpenAsShown(TestBooks.Today));
        after
            .DiscountOn(TestBooks.Today, RoundingRule.HalfAwayFromZero)
            .ShouldBe(before.DiscountOn(TestBooks.Today, RoundingRule.HalfAwayFromZero));
        _t.Pay(980, "2026-03-16", id).Detail.Discount.ToString().ShouldBe("20.00");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_posting_is_reversed_once_with_a_reason_and_not_beneath_later_ones()
    {
        var id = _t.Invoice(1000, "2026-03-10");
        var invoice = _t.Books.Read(c => c.ExecuteScalar<long>("SELECT max(id) FROM entry"));
        var paid = _t.Pay(980, "2026-03-16", id);
        Refused(() => ReversalOf(paid.EntryId, " ")).Field.ShouldBe("reason");
        Refused(() => ReversalOf(invoice, "wrong price")).Message.ShouldContain("reverse that first");
        ReversalOf(paid.EntryId, "bounced");
        Refused(() => ReversalOf(paid.EntryId, "again")).Message.ShouldContain("already");
        ReversalOf(invoice, "wrong price");
        _t.Item(id).OpenAsShown(TestBooks.Today).IsZero.ShouldBeTrue();
        var reversal = _t.Books.Read(c => c.ExecuteScalar<long>("SELECT max(id) FROM entry"));
        Refused(() => ReversalOf(reversal, "undo the undoing")).Message.ShouldContain("not reversed");
        Should.Throw<NotThereException>(() => ReversalOf(9999, "nothing"));
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_receipt_for_a_closed_item_is_refused_by_name()
    {
        var id = _t.Invoice(1000, "2026-03-10");
        _t.Pay(980, "2026-03-16", id);
        var problem = Refused(() => _t.Pay(5, "2026-03-16", id));
        problem.Field.ShouldBe("items");
        problem.Message.ShouldContain("closed");
    }

    [Theory]
    [InlineData(0, "2026-03-16", "cash")]
    [InlineData(-5, "2026-03-16", "cash")]
    [InlineData(10.005, "2026-03-16", "cash")]
    [InlineData(10, "2026-03-17", "valueDate")]
    public void A_payment_that_cannot_be_is_refused_with_its_field(decimal cash, string valueDate, string field)
    {
        var id = _t.Invoice(1000, "2026-03-10");
        Refused(() => _t.Pay(cash, valueDate, id)).Field.ShouldBe(field);
        _t.Item(id).Movements.Count.ShouldBe(1);
    }

    [Fact]
    public void Allowing_a_late_discount_needs_a_reason()
    {
        var id = _t.Invoice(1000, "2026-03-01");
        var request = TestBooks.Request(980, "2026-03-16", id) with
        {
            Items = new Dictionary<long, PaymentChoice> { [id] = new(DiscountChoice.Grant) },
        };
        Refused(() => _t.Write(tx => _t.Receipts.Take(tx, "PEL01", request))).Field.ShouldBe("reason");
        _t.Write(tx => _t.Receipts.Take(tx, "PEL01", request with { Reason = "long-standing customer" }))
            .Detail.Discount.ToString()
            .ShouldBe("20.00");
    }

    [Fact]
    public void A_request_sent_twice_gets_its_whole_answer_and_another_under_its_key_is_refused()
    {
        MarkedRequest Sent(string asked, string caller = "amy") =>
            MarkedRequest.Of(caller, " abc ", System.Text.Encoding.UTF8.GetBytes(asked))!;
        _t.Books.Read(c => Requests.Earlier(c, Sent("pay 100"))).ShouldBeNull();
        _t.Write(tx =>
        {
            Requests.Keep(tx, Sent("pay 100"), new(201, "application/json", "{}"u8.ToArray()));
            return 0;
        });
        var told = _t.Books.Read(c => Requests.Earlier(c, Sent("pay 100")))!;
        (told.Status, told.Type, System.Text.Encoding.UTF8.GetString(told.Content!)).ShouldBe(
            (201, "application/json", "{}")
        );
        Refused(() => _t.Books.Read(c => Requests.Earlier(c, Sent("pay 200")))).Field.ShouldBe("Idempotency-Key");
        _t.Books.Read(c => Requests.Earlier(c, Sent("pay 100", "bob")))
            .ShouldBeNull("keys of different callers never meet");
        MarkedRequest.Of("amy", " ", default).ShouldBeNull();
        Refused(() => MarkedRequest.Of("amy", new string('k', 201), default)).Field.ShouldBe("Idempotency-Key");
        // Whoever comes second with the same key does nothing: all it wrote is taken back.
        Should.Throw<AnsweredMeanwhileException>(() =>
            _t.Write(tx =>
            {
                LimitStore.ChangeState(tx, _t.Account, AccountState.Stop, TestBooks.Today, "never kept");
                Requests.Keep(tx, Sent("pay 100"), new(201, "application/json", "{}"u8.ToArray()));
                return 0;
            })
        );
        _t.Books.Read(c => Rules.Position(c, _t.Account, TestBooks.Today)).State.ShouldBe(AccountState.Open);
    }

    [Fact]
    public void Nothing_is_posted_into_a_closed_period()
    {
        var id = _t.Invoice(1000, "2026-03-01");
        _t.Write(tx =>
        {
            var company = CompanyStore.Get(tx.Connection);
            return CompanyStore.Change(tx, company.Settings with { ClosedThrough = new(2026, 3, 10) }, company.Version);
        });
        // The posting date is today's; the day the money came in by may lie in the closed period, and the item is
        // settled by it.
        _t.Pay(10, "2026-03-10", id);
        _t.Item(id).OpenByValue(new(2026, 3, 10)).ToString().ShouldBe("990.00");
        _t.Write(tx =>
        {
            var company = CompanyStore.Get(tx.Connection);
            return CompanyStore.Change(tx, company.Settings with { ClosedThrough = TestBooks.Today }, company.Version);
        });
        Refused(() => _t.Pay(10, "2026-03-16", id)).Message.ShouldContain("closed through 16 Mar 2026");
        Refused(() =>
            _t.Write(tx =>
            {
                LimitStore.Change(tx, _t.Account, Money.Exact(1, _t.Account.Currency), new(2026, 3, 1), "why");
                return 0;
            })
        )
            .Field.ShouldBe("from");
    }

    [Fact]
    public void A_document_number_is_used_once_on_an_account()
    {
        _t.Invoice(10, "2026-03-01", number: "A-1");
        Refused(() => _t.Invoice(10, "2026-03-01", number: "A-1")).Message.ShouldContain("A-1");
        _t.Books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM entry WHERE kind = 1")).ShouldBe(1);
    }

    [Fact]
    public void Two_payments_at_once_for_one_item_settle_it_once()
    {
        var id = _t.Invoice(1000, "2026-03-10");
        var outcomes = new System.Collections.Concurrent.ConcurrentBag<bool>();
        Parallel.For(
            0,
            8,
            _ =>
            {
                try
                {
                    _t.Pay(1000, "2026-03-16", id);
                    outcomes.Add(true);
                }
                catch (RefusedException)
                {
                    outcomes.Add(false);
                }
            }
        );
        outcomes.Count(o => o).ShouldBe(1);
        _t.Item(id).OpenAsShown(TestBooks.Today).IsZero.ShouldBeTrue();
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Instalments_become_items_with_their_share_of_the_discount()
    {
        var first = _t.Invoice(1000, "2026-03-10", terms: "2/10, 40% now, rest 20");
        var items = _t.Books.Read(c => _t.Items.Items(c, _t.Account));
        items
            .Select(i => $"{i.Document} {i.Due:MM-dd} {i.Opened} {i.Discounts[0].Amount}")
            .ShouldBe(["INV-00001/1 03-10 400.00 8.00", "INV-00001/2 03-30 600.00 12.00"]);
        _t.Pay(392, "2026-03-16", first).Detail.Discount.ToString().ShouldBe("8.00");
    }

    [Theory]
    [InlineData("UPDATE movement SET amount = 1")]
    [InlineData("DELETE FROM movement")]
    [InlineData("UPDATE journal_line SET amount = 1")]
    [InlineData("DELETE FROM entry")]
    [InlineData("UPDATE audit SET who = 'nobody'")]
    [InlineData("DELETE FROM audit")]
    [InlineData("DELETE FROM document")]
    [InlineData("UPDATE limit_change SET amount = 0")]
    public void What_is_posted_cannot_be_changed_or_deleted(string sql)
    {
        var id = _t.Invoice(1000, "2026-03-10");
        _t.Pay(100, "2026-03-16", id);
        Should
            .Throw<SqliteException>(() => _t.Write(tx => tx.Connection.Execute(sql)))
            .Message.ShouldContain("append-only");
    }

    private Effect<string> ReversalOf(long entry, string reason) =>
        _t.Write(tx => ReversalDesk.Reverse(tx, entry, reason));

    private static FieldProblem Refused(Action act) => Should.Throw<RefusedException>(act).Problems[0];
}
