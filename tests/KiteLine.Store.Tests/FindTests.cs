using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>
/// Accounts and documents are found by a part of any detail, before and after they had their turn in the index.
/// </summary>
public sealed class FindTests : IDisposable
{
    private readonly TestBooks _t = new();

    public FindTests()
    {
        _t.Write(tx =>
            AccountStore.Open(
                tx,
                new(
                    "Étoile & Søn Rigging",
                    Code: "ETO01",
                    Email: "ledger@etoile.example",
                    Address: "4 Chandlers Row\nPort Isaac",
                    Profile: new()
                    {
                        LegalName = "Etoile Gréement SA",
                        Contacts = [new("Ida Larkspur", Phone: "01736 554 120", Email: "ida@etoile.example")],
                        Identifiers = [new("ABN", "51824753556"), new("VAT-GB", "GB123456782")],
                        Addresses = [new(AddressKind.ShipTo, "Dock 9", ["Slipway Lane", "Falmouth"])],
                    }
                )
            )
        );
        _t.Invoice(100, "2026-03-01", number: "A_100%");
    }

    public void Dispose() => _t.Dispose();

    [Theory]
    [InlineData("eto01", "")]
    [InlineData("ETO", "")]
    [InlineData("étoile", "")]
    [InlineData("etoile & son", "")]
    [InlineData("rigging", "")]
    [InlineData("greement", "legal name Etoile Gréement SA")]
    [InlineData("LEDGER@etoile", "e-mail ledger@etoile.example")]
    [InlineData("larkspur", "contact Ida Larkspur")]
    [InlineData("01736 554 120", "telephone 01736 554 120")]
    [InlineData("01736554120", "telephone 01736 554 120")]
    [InlineData("1736 5541", "telephone 01736 554 120")]
    [InlineData("(01736) 554-120", "telephone 01736 554 120")]
    [InlineData("+44 1736 554120", "telephone 01736 554 120")]
    [InlineData("0044 (0)1736 554120", "telephone 01736 554 120")]
    [InlineData("51 824 753 556", "identifier 51824753556")]
    [InlineData("gb 123 4567 82", "identifier GB123456782")]
    [InlineData("chandlers", "address 4 Chandlers Row")]
    [InlineData("port isaac", "address Port Isaac")]
    [InlineData("falmouth", "address Falmouth")]
    public void An_account_is_found_by_each_of_its_details(string typed, string by)
    {
        foreach (var indexed in (bool[])[false, true])
        {
            if (indexed)
                Index();
            var found = Find(typed).ShouldHaveSingleItem(typed);
            (found.Kind, found.Account, found.Detail).ShouldBe(("account", "ETO01", by), $"indexed: {indexed}");
        }
    }

    [Theory]
    [InlineData("xyz")]
    [InlineData("x_z")]
    [InlineData("01736 999")]
    [InlineData("+44 1736 554121")]
    [InlineData("etoile rigging")]
    [InlineData("")]
    [InlineData("  ")]
    [InlineData("\"")]
    [InlineData("\" OR \"")]
    public void What_nothing_holds_is_not_found(string typed)
    {
        Find(typed).ShouldBeEmpty();
        Index();
        Find(typed).ShouldBeEmpty();
    }

    [Theory]
    [InlineData("_100%")]
    [InlineData("a_1")]
    [InlineData("%")]
    public void A_document_is_found_by_its_number_and_signs_are_taken_as_they_are(string typed)
    {
        Find(typed).ShouldHaveSingleItem().Title.ShouldBe("A_100%");
        Index();
        Find(typed).ShouldHaveSingleItem().Title.ShouldBe("A_100%");
    }

    [Fact]
    public void A_changed_detail_is_found_and_the_former_one_no_longer()
    {
        Index();
        var account = _t.Books.Read(c => AccountStore.Get(c, "ETO01"));
        _t.Write(tx => AccountStore.Change(tx, account with { Email = "office@etoile.example" }, ""));
        Find("office@").ShouldHaveSingleItem().Account.ShouldBe("ETO01");
        Find("ledger@").ShouldBeEmpty();
        Index();
        Find("office@").ShouldHaveSingleItem().Account.ShouldBe("ETO01");
        Find("ledger@").ShouldBeEmpty();
    }

    [Fact]
    public void The_code_that_was_typed_comes_before_everything_that_holds_it()
    {
        foreach (
            var (code, name) in ((string, string)[])[("ZZZ01", "About ABC Ropes"), ("ABC10", "Zed"), ("ABC", "Young")]
        )
            _t.Write(tx => AccountStore.Open(tx, new(name, Code: code)));
        Index();
        Find("abc").Select(f => f.Account).ShouldBe(["ABC", "ABC10", "ZZZ01"]);
    }

    private IReadOnlyList<Found> Find(string text) => _t.Books.Read(c => FindStore.Find(c, text));

    private void Index()
    {
        while (_t.Books.Read(FindIndexer.HasWork))
            _t.Write(tx =>
            {
                FindIndexer.Step(tx);
                return true;
            });
    }
}
