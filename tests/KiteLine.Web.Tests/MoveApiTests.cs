using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Journals;

namespace KiteLine.Web.Tests;

/// <summary>
/// Receipts moved to other accounts. Pellworm owes 1,000 of 2 March, 20 less until the 12th, and 500 of 4 March, 10 less until
/// the 14th; Harbour owes 300 of 2 February. All figures are worked by hand from these.
/// </summary>
public sealed class MoveApiTests : IDisposable
{
    private readonly CashBooks _cash = new();

    public void Dispose() => _cash.Dispose();

    private async Task<long> Taken(string cash, string? document = null, string? method = null) =>
        Entry(await _cash.Receipt("PEL01", cash, document, method));

    private static long Entry(JsonElement effect) => effect.GetProperty("entryId").GetInt64();

    private Task<JsonElement> Move(long entry, string? amount = null, string? account = null, bool preview = false) =>
        _cash.Done($"/api/receipts/{entry}/move{(preview ? "?preview=true" : "")}", Body(amount, account));

    private static object Body(string? amount, string? account, string reason = "theirs") =>
        new
        {
            amount,
            account,
            reason,
        };

    private async Task<(string Field, string Told)> Refused(string path, object body)
    {
        var (status, answer) = await _cash.App.Post(path, body);
        status.ShouldBe(400, $"{answer}");
        var error = answer.GetProperty("errors").EnumerateObject().Single();
        return (error.Name, error.Value[0].GetString()!);
    }

    private Task<JsonElement> Reverse(long entry) =>
        _cash.Done($"/api/postings/{entry}/reverse", new { reason = "back" });

    private async Task<JsonElement[]> Waiting() =>
        [.. (await _cash.App.Get("/api/unassigned-receipts")).GetProperty("items").EnumerateArray()];

    [Fact]
    public async Task All_of_it_is_as_if_it_had_come_to_the_other_account_and_leaves_the_bank_alone()
    {
        var receipt = await Taken("300", "INV-1007");
        (await _cash.Open("PEL01")).ShouldBe("INV-1001 1000.00, INV-1007 200.00");
        var bank = await _cash.Balance("bank");
        string[] off = ["receivables 300.00", "unassignedReceipts -300.00"];
        string[] on = ["unassignedReceipts 300.00", "receivables -300.00"];

        var shown = await Move(receipt, account: "HAR01", preview: true);
        Journal(shown.GetProperty("from")).ShouldBe(off);
        Journal(shown.GetProperty("to")).ShouldBe(on);
        (await _cash.Open("HAR01")).ShouldBe("INV-1010 300.00");
        var moved = await Move(receipt, account: "HAR01");
        Journal(moved.GetProperty("from")).ShouldBe(off);
        Journal(moved.GetProperty("to")).ShouldBe(on);
        (await _cash.Open("PEL01")).ShouldBe("INV-1001 1000.00, INV-1007 500.00");
        (await _cash.Open("HAR01")).ShouldBe("");
        (await _cash.Balance("bank")).ShouldBe(bank);
        (await _cash.Balance("unassignedReceipts")).ShouldBe("0.00");
        // By value the one never had it, and the other had it from the day of the payment on.
        _cash.Today(18);
        ByValue("PEL01", "INV-1007", 16).ShouldBe("500.00");
        (ByValue("HAR01", "INV-1010", 15), ByValue("HAR01", "INV-1010", 16)).ShouldBe(("300.00", "0.00"));
        // Nothing of it is left to move, and what is on the other account is moved from there.
        (await Refused($"/api/receipts/{receipt}/move", Body(null, null))).Told.ShouldContain("paid back or moved");
    }

    private string ByValue(string account, string document, int day) =>
        $"{_cash.App.Books.Read(c => new ItemStore(new VersionCache())
            .Items(c, AccountStore.Get(c, account), alsoClosed: true)
            .Single(i => i.Document == document)
            .OpenByValue(new(2026, 3, day)))}";

    [Fact]
    public async Task It_is_taken_back_from_the_end_and_each_side_stands_as_before()
    {
        var receipt = await Taken("300", "INV-1007");
        var moved = await Move(receipt, account: "HAR01");
        var (from, to) = (Entry(moved.GetProperty("from")), Entry(moved.GetProperty("to")));
        var later = await Refused($"/api/postings/{from}/reverse", new { reason = "back" });
        (later.Field, later.Told).ShouldBe(
            ("entry", "‘HAR01 RCT-00002’ was posted later and builds on this; reverse that first.")
        );
        (await Refused($"/api/postings/{receipt}/reverse", new { reason = "back" })).Told.ShouldContain(
            "RCT-00001 moved to HAR01: theirs"
        );

        await Reverse(to);
        (await _cash.Open("HAR01")).ShouldBe("INV-1010 300.00");
        var waiting = (await Waiting()).Single();
        waiting.GetProperty("movedReceipt").GetString().ShouldBe("RCT-00001");
        waiting.GetProperty("movedFrom").GetString().ShouldBe("PEL01 Pellworm Sail Loft");
        var id = waiting.GetProperty("id").GetInt64();
        await _cash.Done($"/api/unassigned-receipts/{id}/take-back", new { reason = "it was theirs after all" });
        (await _cash.Open("PEL01")).ShouldBe("INV-1001 1000.00, INV-1007 200.00");
        (await Waiting()).ShouldBeEmpty();
        // It can go the same way again.
        await Move(receipt, account: "HAR01");
        (await _cash.Open("HAR01")).ShouldBe("");
    }

    [Fact]
    public async Task A_part_of_what_is_on_account_undoes_nothing()
    {
        // 500 for the invoice, 300 on account.
        var receipt = await Taken("800", "INV-1007");
        var shown = await Move(receipt, "200", preview: true);
        (
            shown.GetProperty("amount").GetString(),
            shown.GetProperty("free").GetString(),
            shown.GetProperty("most").GetString()
        ).ShouldBe(("200.00", "300.00", "800.00"));
        shown.GetProperty("to").ValueKind.ShouldBe(JsonValueKind.Null);
        Journal((await Move(receipt, "200")).GetProperty("from"))
            .ShouldBe(["cashOnAccount 200.00", "unassignedReceipts -200.00"]);
        (await _cash.Open("PEL01")).ShouldBe("INV-1001 1000.00, RCT-00001 -100.00");
        (await Refused($"/api/receipts/{receipt}/move", Body("150", "HAR01"))).Told.ShouldBe(
            "Only 100.00 of RCT-00001 is on account. Move up to that, or all 600.00, which undoes what it settles; or undo a "
                + "part of that first."
        );
        (await Refused($"/api/receipts/{receipt}/move", Body("600.01", null))).Told.ShouldContain("at most 600.00");
        // What waits is placed like any other receipt, but not where it came from; 200 of the 300 are paid.
        var id = (await Waiting()).Single().GetProperty("id").GetInt64();
        var inHand = await _cash.App.Get($"/api/unassigned-receipts/{id}");
        inHand.GetProperty("receipt").GetProperty("payer").GetString().ShouldBe("Pellworm Sail Loft");
        inHand.GetProperty("placing").GetProperty("account").ValueKind.ShouldBe(JsonValueKind.Null);
        await _cash.Done($"/api/unassigned-receipts/{id}/assign", new { account = "HAR01" });
        (await _cash.Open("HAR01")).ShouldBe("INV-1010 100.00");
        // The rest with what it settles.
        await Move(receipt, account: "HAR01");
        (await _cash.Open("PEL01")).ShouldBe("INV-1001 1000.00, INV-1007 500.00");
        (await _cash.Open("HAR01")).ShouldBe("RCT-00003 -500.00");
    }

    [Fact]
    public async Task A_discount_that_it_took_is_undone_with_it()
    {
        // 980 of value on the 10th, in time for the 20 of discount.
        var taken = await _cash.Done(
            "/api/accounts/PEL01/receipts",
            new
            {
                cash = "980",
                valueDate = "2026-03-10",
                items = new[] { new { id = await _cash.Item("PEL01", "INV-1001") } },
            }
        );
        (await _cash.Open("PEL01")).ShouldBe("INV-1007 500.00");
        var moved = await Move(Entry(taken));
        Journal(moved.GetProperty("from"))
            .ShouldBe(
                ["discountsAllowed -20.00", "receivables 1000.00", "unassignedReceipts -980.00"],
                ignoreOrder: true
            );
        (await _cash.Open("PEL01")).ShouldBe("INV-1001 1000.00, INV-1007 500.00");
    }

    [Fact]
    public async Task What_was_paid_back_stays()
    {
        var receipt = await Taken("800", "INV-1007");
        await _cash.Done(
            "/api/accounts/PEL01/refunds",
            new
            {
                credits = new[] { await _cash.Item("PEL01", "RCT-00001") },
                amount = "300",
                bankAccount = "GB33BUKB20201555555555",
                reason = "paid twice",
            }
        );
        Journal((await Move(receipt)).GetProperty("from"))
            .ShouldBe(["receivables 500.00", "unassignedReceipts -500.00"]);
    }

    [Theory]
    [InlineData("PEL01", "theirs", "account", "is on this account already")]
    [InlineData("DOL01", "theirs", "account", "kept in USD")]
    [InlineData("HAR01", " ", "reason", "")]
    [InlineData("HAR01", "theirs", "amount", "above zero", "0")]
    [InlineData("HAR01", "theirs", "amount", "", "12.345")]
    public async Task What_is_wrong_is_named_and_nothing_changes(
        string account,
        string reason,
        string field,
        string told,
        string? amount = null
    )
    {
        _cash.App.Books.Write(
            "tests",
            tx =>
            {
                AccountStore.Open(
                    tx,
                    new("Dollar Docks", "DOL01", Currency: Core.Currency.Of("USD"), Limit: 100, Terms: "n/30")
                );
                return 0;
            }
        );
        var receipt = await Taken("800");
        var path = $"/api/receipts/{receipt}/move";
        foreach (var address in new[] { path, $"{path}?preview=true" })
        {
            var refused = await Refused(address, Body(amount, account, reason));
            refused.Field.ShouldBe(field);
            refused.Told.ShouldContain(told);
        }

        (await _cash.Open("PEL01")).ShouldBe("INV-1001 1000.00, INV-1007 500.00, RCT-00001 -800.00");
        (await Waiting()).ShouldBeEmpty();
    }

    [Fact]
    public async Task One_that_was_reversed_is_not_moved_and_an_invoice_is_none()
    {
        var receipt = await Taken("800");
        await Reverse(receipt);
        (await Refused($"/api/receipts/{receipt}/move", Body(null, "HAR01"))).Told.ShouldContain("was reversed");
        (await _cash.App.Post("/api/receipts/1/move", Body(null, "HAR01"))).Status.ShouldBe(404);
    }

    [Fact]
    public async Task A_cheque_that_has_not_cleared_counts_on_the_account_that_it_is_on()
    {
        _cash.App.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                var settings = stored.Settings with
                {
                    PaymentMethods =
                    [
                        .. stored.Settings.PaymentMethods.Select(m =>
                            m.Code == "CHQ" ? m with { ClearingDays = 5 } : m
                        ),
                    ],
                };
                settings = settings.WithExposure(new(UnclearedCount: true), new(2026, 3, 1));
                CompanyStore.Change(tx, settings, stored.Version, "tests");
                return 0;
            }
        );
        async Task<string?> Exposure(string account) =>
            (await _cash.App.Get($"/api/accounts/{account}"))
                .GetProperty("position")
                .GetProperty("exposure")
                .GetString();
        static string After(JsonElement effect) =>
            $"{effect.GetProperty("before").GetProperty("exposure")} to {effect.GetProperty("after").GetProperty("exposure")}";

        var receipt = await Taken("800", "INV-1007", "CHQ");
        // All of it may fail to come: 1,500 as before, and 300 of it on account of the other.
        (await Exposure("PEL01")).ShouldBe("1500.00");
        foreach (var preview in new[] { true, false })
        {
            var part = await Move(receipt, "300", "HAR01", preview);
            After(part.GetProperty("from")).ShouldBe("1500.00 to 1500.00");
            After(part.GetProperty("to")).ShouldBe("300.00 to 300.00");
        }

        foreach (var preview in new[] { true, false })
        {
            var rest = await Move(receipt, null, "HAR01", preview);
            After(rest.GetProperty("from")).ShouldBe("1500.00 to 1500.00");
            After(rest.GetProperty("to")).ShouldBe("300.00 to 300.00");
        }

        // Five days after the sixteenth it is certain: 300 paid and 500 on account.
        _cash.Today(21);
        ((await Exposure("PEL01")), (await Exposure("HAR01"))).ShouldBe(("1500.00", "-500.00"));
    }
}
