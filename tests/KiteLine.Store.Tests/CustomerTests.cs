using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>Customers' records, what hangs on them, and changing many at once.</summary>
public sealed class CustomerTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    private Account Change(Func<Account, Account> change) =>
        _t.Write(tx => AccountStore.Change(tx, change(AccountStore.Get(tx.Connection, "PEL01")), "told us"));

    private static CustomerProfile With(params string[] vat) =>
        new() { Identifiers = [.. vat.Select(v => new CustomerIdentifier("VAT-DE", v))] };

    [Fact]
    public void A_record_is_stored_whole_and_its_change_is_told_field_by_field()
    {
        var profile = With("DE136695976") with
        {
            LegalName = "Pellworm Segel GmbH",
            Contacts = [new("Ada Quint", "Accounts payable", "01700 1", "ada@pellworm.example")],
            Addresses = [new(AddressKind.ShipTo, "Store", ["2 Quay", "Harbour"])],
            TermsAgreedOn = new(2026, 1, 5),
            Responses = new() { OverLimit = CheckResponse.Ask },
        };
        Change(a => a with { Profile = profile });
        Json.Write(_t.Account.Profile).ShouldBe(Json.Write(profile));
        var told = AuditWords
            .Of(_t.Books.Read(c => Audit.Of(c, "account:PEL01"))[0].Detail)
            .Select(c => $"{c.What}: {c.Before} > {c.After}")
            .ToList();
        told.ShouldContain("record, legal name:  > Pellworm Segel GmbH");
        told.ShouldContain("record, contacts 1, email:  > ada@pellworm.example");
        told.ShouldContain("record, responses, over limit: refuse > ask");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void New_customers_get_the_defaults_and_later_changes_of_them_do_not_reach_back()
    {
        void Defaults(NewCustomerSettings defaults) =>
            _t.Write(tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                return CompanyStore.Change(tx, stored.Settings with { Defaults = defaults }, stored.Version);
            });
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.TaxCode,
                "STANDARD",
                "Standard",
                new TaxCode { Rates = [new(new(2020, 1, 1), 20, [new("Office", 20)])] },
                0
            )
        );
        Defaults(new("n/30", 700, "STD", "PLAN", "EUR", "STANDARD", Delivery.Email, new() { OverdueDays = 5 }));
        var first = _t.Write(tx => AccountStore.Open(tx, new("Oxbow")));
        Defaults(new("n/14", 100));
        var second = _t.Write(tx => AccountStore.Open(tx, new("Tarn")));
        (first.Currency.Code, first.TaxCode, first.Profile.Delivery, first.Profile.Responses.OverdueDays).ShouldBe(
            ("EUR", "STANDARD", Delivery.Email, 5)
        );
        var read = _t.Books.Read(c => AccountStore.Get(c, first.Code));
        (read.Terms, read.LateChargePolicy, read.Profile.Responses.OverdueDays).ShouldBe(("n/30", "STD", 5));
        (second.Terms, second.TaxCode, second.Currency.Code).ShouldBe(("n/14", null, "GBP"));
    }

    [Fact]
    public void Limits_and_states_are_told_with_what_they_were()
    {
        string Told() =>
            string.Join(
                "; ",
                AuditWords
                    .Of(_t.Books.Read(c => Audit.Of(c, "account:PEL01"))[0].Detail)
                    .Select(c => $"{c.What}: {c.Before} > {c.After}")
            );
        int Do(Action<Tx> act) =>
            _t.Write(tx =>
            {
                act(tx);
                return 0;
            });
        Do(tx => LimitStore.Change(tx, _t.Account, Money.Exact(6000, _t.Account.Currency), new(2026, 3, 10), "review"));
        Told().ShouldBe("amount: 5000.00 > 6000.00; from:  > 2026-03-10");
        Do(tx => LimitStore.Change(tx, _t.Account, Money.Exact(100, _t.Account.Currency), new(2026, 3, 12), "review"));
        Told().ShouldBe("amount: 6000.00 > 100.00; from:  > 2026-03-12");
        Do(tx => LimitStore.ChangeState(tx, _t.Account, AccountState.Stop, TestBooks.Today, "quiet"));
        Told().ShouldBe("state: open > stop; from:  > 2026-03-16");
        Do(tx => CompanyStore.GoOnFrom(tx, DocumentSeries.Receipt, 50, "new year"));
        AuditWords
            .Of(_t.Books.Read(c => Audit.Of(c, "company"))[0].Detail)
            .ShouldHaveSingleItem()
            .ShouldBe(new AuditChange("next", "1", "50"));
    }

    [Fact]
    public void Duplicates_are_found_by_identifier_and_email_whatever_their_spelling()
    {
        Change(a => a with { Email = "Accounts@Pellworm.example", Profile = With("DE136695976") });
        IReadOnlyList<LikelyDuplicate> Find(string email, string number) =>
            _t.Books.Read(c => DuplicateFinder.Find(c, email, number));
        Find("accounts@pellworm.example ", "").ShouldHaveSingleItem().Code.ShouldBe("PEL01");
        Find("", "de 136.695.976").ShouldHaveSingleItem().Why.ShouldContain("identifier");
        Find("other@pellworm.example", "DE999999999").ShouldBeEmpty();
        Change(a => a with { Profile = With() });
        Find("", "DE136695976").ShouldBeEmpty();
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void An_identifier_that_is_listed_and_not_in_the_record_is_off()
    {
        _t.Write(tx =>
            tx.Connection.Execute(
                "INSERT INTO account_identifier VALUES (@Id, 'VAT-DE', 'DE136695976')",
                new { _t.Account.Id }
            )
        );
        _t.Off().ShouldHaveSingleItem().ShouldContain("PEL01");
    }

    [Fact]
    public void A_wrong_record_is_refused_and_nothing_of_it_stored()
    {
        var refused = Should.Throw<RefusedException>(() => Change(a => a with { Name = "Changed", TaxCode = "NONE" }));
        refused.Problems.ShouldHaveSingleItem().Field.ShouldBe("taxCode");
        Should
            .Throw<RefusedException>(() => Change(a => a with { Email = "nobody" }))
            .Problems[0]
            .Field.ShouldBe("email");
        Should
            .Throw<RefusedException>(() => Change(a => a with { Profile = With("DE136695977") }))
            .Problems[0]
            .Field.ShouldBe("identifiers[0].number");
        _t.Account.Name.ShouldBe("Pellworm Sail Loft");
    }

    [Fact]
    public void A_file_is_kept_read_back_and_taken_out_with_a_reason()
    {
        var content = "%PDF-1.7 terms"u8.ToArray();
        var kept = _t.Write(tx => AttachmentStore.Add(tx, _t.Account, "a/b/terms.pdf", content, "signed"));
        (kept.Name, kept.MediaType, kept.Size).ShouldBe(("terms.pdf", "application/pdf", content.Length));
        _t.Books.Read(c => AttachmentStore.Get(c, _t.Account, kept.Id)).Content.ShouldBe(content);
        Should
            .Throw<RefusedException>(() =>
                _t.Write(tx => AttachmentStore.Add(tx, _t.Account, "terms.exe", content, ""))
            )
            .Problems[0]
            .Field.ShouldBe("file");
        Should.Throw<RefusedException>(() => Remove(" ")).Problems[0].Field.ShouldBe("reason");
        Should.Throw<NotThereException>(() =>
            _t.Books.Read(c => AttachmentStore.Get(c, _t.Account with { Id = 999 }, kept.Id))
        );
        Remove("superseded");
        _t.Books.Read(c => AttachmentStore.Of(c, _t.Account)).ShouldBeEmpty();
        _t.Books.Read(c => Audit.Of(c, "account:PEL01"))[0].Reason.ShouldBe("superseded");

        int Remove(string reason) =>
            _t.Write(tx =>
            {
                AttachmentStore.Remove(tx, _t.Account, kept.Id, reason);
                return 0;
            });
    }

    [Fact]
    public void An_account_keeps_so_many_files_and_no_more()
    {
        int Add(int times) =>
            _t.Write(tx =>
            {
                for (var i = 0; i < times; i++)
                    AttachmentStore.Add(tx, _t.Account, $"{i}.txt", "text"u8.ToArray(), "");
                return times;
            });
        Add(Bounds.Attachments);
        Should.Throw<RefusedException>(() => Add(1)).Problems[0].Field.ShouldBe("file");
        _t.Books.Read(c => AttachmentStore.Of(c, _t.Account)).Count.ShouldBe(Bounds.Attachments);
    }

    [Fact]
    public void The_contact_log_takes_no_day_to_come_and_keeps_what_it_has()
    {
        int Add(DateOnly on, string text) =>
            _t.Write(tx =>
            {
                ContactLog.Add(tx, _t.Account, ContactKind.Call, on, "Ada", text, TestBooks.Today);
                return 0;
            });
        Add(TestBooks.Today.AddDays(-2), "Will pay on Friday");
        Add(TestBooks.Today, "Paid");
        Should.Throw<RefusedException>(() => Add(TestBooks.Today.AddDays(1), "x")).Problems[0].Field.ShouldBe("on");
        Should.Throw<RefusedException>(() => Add(TestBooks.Today, " ")).Problems[0].Field.ShouldBe("text");
        _t.Books.Read(c => ContactLog.Of(c, _t.Account)).Select(e => e.Text).ShouldBe(["Paid", "Will pay on Friday"]);
        Should
            .Throw<Microsoft.Data.Sqlite.SqliteException>(() =>
                _t.Write(tx => tx.Connection.Execute("UPDATE contact_log SET text = 'other'"))
            )
            .Message.ShouldContain("append-only");
    }
}
