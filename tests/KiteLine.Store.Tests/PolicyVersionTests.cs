using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>Documents keep what they were made under, whatever is changed later.</summary>
public sealed class PolicyVersionTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    private long Post(string terms)
    {
        var stored = _t.Write(tx => PolicyStore.TermsByText(tx, terms));
        return _t.Write(tx =>
        {
            var calendar = CalendarInForce.Of(tx.Connection, CompanyStore.Settings(tx.Connection));
            var account = AccountStore.Get(tx.Connection, "PEL01");
            Money Amount(decimal a) => Money.Exact(a, account.Currency);
            var posting = InvoicePosting.Invoice(
                null,
                new(2026, 3, 2),
                new InvoiceAmounts(Amount(1000), Amount(0), Amount(0)),
                stored.Definition.ToTerms(),
                tx.Rules()
            );
            return PostingStore.Post(tx, account, posting, stored.Id, calendarId: calendar.Id).ItemIds[0];
        });
    }

    private void Use(params Holiday[] holidays) =>
        _t.Write(tx =>
        {
            var version = PolicyStore.Find<HolidayCalendar>(tx.Connection, PolicyKind.Calendar, "YARD")?.Version ?? 0;
            PolicyStore.Save(
                tx,
                PolicyKind.Calendar,
                "YARD",
                "Yard",
                new HolidayCalendar { Holidays = holidays },
                version
            );
            var company = CompanyStore.Get(tx.Connection);
            return CompanyStore.Change(tx, company.Settings with { Calendar = "YARD" }, company.Version);
        });

    [Fact]
    public void A_document_keeps_its_calendar_when_the_calendar_changes()
    {
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.Terms,
                "NEXT",
                "Next",
                TermsDefinition.Checked(
                    "2/10 n/30",
                    new() { BusinessDays = BusinessDayRule.Next, PartPayments = true }
                ),
                0
            )
        );
        Use(new Holiday(new(2026, 3, 12), "Stocktaking"), new Holiday(new(2026, 4, 1), "Closed"));
        var before = Post("NEXT");
        Use();
        var after = Post("NEXT");
        (_t.Item(before).Due, _t.Item(before).Discounts[0].Deadline).ShouldBe(
            (new DateOnly(2026, 4, 2), new DateOnly(2026, 3, 13))
        );
        (_t.Item(after).Due, _t.Item(after).Discounts[0].Deadline).ShouldBe(
            (new DateOnly(2026, 4, 1), new DateOnly(2026, 3, 12))
        );
        _t.Item(before).PartPayments.ShouldBeTrue();
    }

    [Fact]
    public void Part_payments_through_the_books_earn_their_shares_and_reverse_cleanly()
    {
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.Terms,
                "PART",
                "Parts",
                TermsDefinition.Checked("2/20 n/30", new() { PartPayments = true }),
                0
            )
        );
        var id = Post("PART");
        var first = _t.Pay(490, "2026-03-10", id);
        $"{first.Detail.Discount} {_t.Item(id).OpenAsShown(TestBooks.Today)}".ShouldBe("10.00 500.00");
        _t.Pay(490, "2026-03-16", id).Detail.Discount.ToString().ShouldBe("10.00");
        _t.Item(id).OpenAsShown(TestBooks.Today).IsZero.ShouldBeTrue();
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void The_journal_keeps_the_account_numbers_it_was_posted_to()
    {
        _t.Invoice(100, "2026-03-10");
        var entry = _t.Books.Read(c => c.ExecuteScalar<long>("SELECT max(id) FROM entry"));
        _t.Write(tx =>
        {
            var company = CompanyStore.Get(tx.Connection);
            var accounts = company.Settings.PostingAccounts.ToDictionary();
            accounts[PostingPurpose.Sales] = "4777";
            return CompanyStore.Change(tx, company.Settings with { PostingAccounts = accounts }, company.Version);
        });
        _t.Books.Read(c => LedgerView.Journal(c, entry)).Select(l => l.Account).ShouldBe(["1100", "4000"]);
    }

    [Fact]
    public void Changes_are_put_into_words_with_old_and_new()
    {
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.TaxCode,
                "STD",
                "Standard",
                new TaxCode { Rates = [new(new(2020, 1, 1), 20, [new("Office", 20)])] },
                0
            )
        );
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.TaxCode,
                "STD",
                "Standard",
                new TaxCode { FreightTaxed = false, Rates = [new(new(2020, 1, 1), 21, [new("Office", 21)])] },
                1,
                "new law"
            )
        );
        var row = _t.Books.Read(c => Audit.Of(c, "tax-code:STD"))[0];
        row.Reason.ShouldBe("new law");
        AuditWords
            .Of(row.Detail)
            .Select(c => $"{c.What}: {c.Before} > {c.After}")
            .ShouldBe([
                "rates 1, percent: 20 > 21",
                "rates 1, components 1, percent: 20 > 21",
                "freight taxed: yes > no",
            ]);
        AuditWords
            .Of("""{"number":"REM-1","lines":[1,2],"none":null,"empty":""}""")
            .Select(c => $"{c.What}: {c.Before} > {c.After}")
            .ShouldBe(["number:  > REM-1", "lines:  > 1, 2"]);
        AuditWords.Of("[]").ShouldBeEmpty();
        // The same figure written otherwise is no change; a code with a nought before it is another code.
        AuditWords
            .Of("""{"before":{"amount":250,"code":"007"},"after":{"amount":250.00,"code":"7"}}""")
            .Select(c => $"{c.What}: {c.Before} > {c.After}")
            .ShouldBe(["code: 007 > 7"]);
    }

    [Fact]
    public void Terms_stored_before_their_conditions_stood_together_are_read_as_they_were()
    {
        // The form that earlier versions stored, as the fourth migration rewrites it.
        _t.Write(tx =>
            tx.Connection.Execute(
                """
                INSERT INTO policy (kind, code, version, name, is_current, made_by, made_at, definition)
                VALUES ('terms', 'OLD', 1, 'Old', 1, 'x', 'x',
                    json_object('text', 'n/30', 'conditions',
                    json_object('base', 'net', 'graceDays', 3, 'businessDays', 'next')))
                """
            )
        );
        var terms = _t
            .Books.Read(c => PolicyStore.Find<TermsDefinition>(c, PolicyKind.Terms, "OLD"))!
            .Definition.ToTerms();
        terms.Conditions.ShouldBe(
            new TermsConditions
            {
                Base = DiscountBase.Net,
                GraceDays = 3,
                BusinessDays = BusinessDayRule.Next,
            }
        );
    }
}
