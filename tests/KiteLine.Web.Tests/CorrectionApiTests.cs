using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Journals;

namespace KiteLine.Web.Tests;

/// <summary>
/// What settled an item, put right afterwards. All figures are worked by hand from the invoices of <see cref="BankBooks"/>:
/// 1,000 of 2 March with 20 of discount to the 12th, 300 of 2 February with 6 to the 12th.
/// </summary>
public sealed class CorrectionApiTests : IDisposable
{
    private readonly TestApp _app = new();

    public CorrectionApiTests() => BankBooks.Open(_app);

    public void Dispose()
    {
        // Whatever a test did, the books still hold.
        var off = _app.Books.Read(Verifier.Check);
        _app.Dispose();
        off.ShouldBeEmpty();
    }

    private async Task<JsonElement> Done(string path, object body)
    {
        var (status, answer) = await _app.Post(path, body);
        status.ShouldBe(200, $"{answer}");
        return answer;
    }

    /// <summary>What is open of each document, credits negative.</summary>
    private async Task<string> Open(string account) =>
        string.Join(
            ", ",
            (await _app.Get($"/api/accounts/{account}"))
                .GetProperty("items")
                .EnumerateArray()
                .Select(i => $"{i.GetProperty("document")} {i.GetProperty("open")}")
                .Order(StringComparer.Ordinal)
        );

    /// <summary>Takes a payment for an invoice and gives its posting and the link to what it settled.</summary>
    private async Task<(long Entry, long Link)> Paid(string account, string document, string cash, string valueDate)
    {
        var item = (await _app.Get($"/api/accounts/{account}"))
            .GetProperty("items")
            .EnumerateArray()
            .Single(i => i.GetProperty("document").GetString() == document)
            .GetProperty("id")
            .GetInt64();
        var posted = await Done(
            $"/api/accounts/{account}/receipts",
            new
            {
                cash,
                valueDate,
                items = new[] { new { id = item } },
            }
        );
        var entry = posted.GetProperty("entryId").GetInt64();
        return (entry, (await Links(entry)).Single().GetProperty("id").GetInt64());
    }

    private async Task<JsonElement[]> Links(long entry) =>
        [.. (await _app.Get($"/api/postings/{entry}/settled")).EnumerateArray()];

    private Task<JsonElement> Reverse(JsonElement effect) => Reverse(effect.GetProperty("entryId").GetInt64());

    private Task<JsonElement> Reverse(long entry) =>
        Done($"/api/postings/{entry}/reverse", new { reason = "put right" });

    [Fact]
    public async Task A_discount_that_was_missed_is_given_by_the_payments_value_date_and_leaves_the_bank_alone()
    {
        var (entry, link) = await Paid("PEL01", "INV-1001", "1000", "2026-03-10");
        (await Open("PEL01")).ShouldBe("INV-1007 500.00");
        var missed = (await Links(entry))[0].GetProperty("missed")[0];
        $"{missed.GetProperty("deadline")} {missed.GetProperty("amount")} {missed.GetProperty("earned")}".ShouldBe(
            "2026-03-12 20.00 True"
        );
        var body = new { step = "2026-03-12", reason = "overlooked when it was banked" };
        var shown = await Done($"/api/allocations/{link}/discount?preview=true", body);
        Journal(shown).ShouldBe(["discountsAllowed 20.00", "cashOnAccount -20.00"]);
        (await Open("PEL01")).ShouldBe("INV-1007 500.00");
        var given = await Done($"/api/allocations/{link}/discount", body);
        Journal(given).ShouldBe(["discountsAllowed 20.00", "cashOnAccount -20.00"]);
        (await Open("PEL01")).ShouldMatch(@"^INV-1007 500\.00, RCT-\d+ -20\.00$");
        (await Links(entry)).Single().GetProperty("missed").GetArrayLength().ShouldBe(0);
        // By value the item was settled on the day of the payment, whenever that was found out.
        var item = _app.Books.Read(c =>
            new ItemStore(new VersionCache())
                .Items(c, AccountStore.Get(c, "PEL01"), alsoClosed: true)
                .Single(i => i.Document == "INV-1001")
        );
        (item.OpenByValue(new(2026, 3, 9)).ToString(), item.OpenByValue(new(2026, 3, 10)).ToString()).ShouldBe(
            ("1000.00", "0.00")
        );
        await Reverse(given);
        (await Open("PEL01")).ShouldBe("INV-1007 500.00");
        (await Links(entry)).Single().GetProperty("missed").GetArrayLength().ShouldBe(1);
    }

    [Fact]
    public async Task A_discount_that_was_not_earned_takes_authority()
    {
        var (entry, link) = await Paid("PEL01", "INV-1001", "1000", "2026-03-13");
        (await Links(entry))[0].GetProperty("missed")[0].GetProperty("earned").GetBoolean().ShouldBeFalse();
        (await _app.Refused($"/api/allocations/{link}/discount", new { step = "2026-03-12" })).ShouldBe(["reason"]);
        (await _app.Refused($"/api/allocations/{link}/discount", new { step = "2026-03-11", reason = "x" })).ShouldBe([
            "step",
        ]);
        (await _app.Refused($"/api/allocations/{link}/discount", new { reason = "x" })).ShouldBe(["step"]);
        var settled = _app.Books.Read(c => _app.Desk.Corrections.Get(c, link));
        Should
            .Throw<RefusedException>(() =>
                AllocationCorrection.Grant(
                    settled.Allocation,
                    settled.Credit.Item,
                    settled.Debit.Item,
                    settled.Debit.Amounts,
                    new(2026, 3, 12),
                    "a favour",
                    Authority.None,
                    _app.Books.Read(_app.Desk.Rules)
                )
            )
            .Message.ShouldContain("above your authority");
        await Done($"/api/allocations/{link}/discount", new { step = "2026-03-12", reason = "a favour" });
    }

    [Fact]
    public async Task A_discount_settles_what_is_still_open_before_it_frees_cash()
    {
        // 970 a day late: 30 stay open. The discount of 20 settles so much of them, and frees nothing.
        var (_, link) = await Paid("PEL01", "INV-1001", "970", "2026-03-13");
        (await Open("PEL01")).ShouldBe("INV-1001 30.00, INV-1007 500.00");
        var given = await Done($"/api/allocations/{link}/discount", new { step = "2026-03-12", reason = "agreed" });
        Journal(given).ShouldBe(["discountsAllowed 20.00", "receivables -20.00"]);
        (await Open("PEL01")).ShouldBe("INV-1001 10.00, INV-1007 500.00");
    }

    [Fact]
    public async Task What_was_undone_is_open_and_on_account_again_until_that_is_reversed()
    {
        var (entry, link) = await Paid("PEL01", "INV-1007", "500", "2026-03-15");
        var undone = await Done($"/api/allocations/{link}/undo", new { reason = "meant for another" });
        Journal(undone).ShouldBe(["cashOnAccount -500.00", "receivables 500.00"]);
        (await Open("PEL01")).ShouldMatch(@"^INV-1001 1000\.00, INV-1007 500\.00, RCT-\d+ -500\.00$");
        (await Links(entry)).ShouldBeEmpty();
        (await _app.Refused($"/api/allocations/{link}/undo", new { reason = "again" })).ShouldBe(["allocation"]);
        // The receipt is taken back only after what was put right on it.
        (await _app.Refused($"/api/postings/{entry}/reverse", new { reason = "bounced" })).ShouldBe(["entry"]);
        await Reverse(undone);
        (await Open("PEL01")).ShouldBe("INV-1001 1000.00");
        await Reverse(entry);
        (await Open("PEL01")).ShouldBe("INV-1001 1000.00, INV-1007 500.00");
    }

    [Fact]
    public async Task What_was_undone_is_allocated_anew()
    {
        var (_, link) = await Paid("PEL01", "INV-1007", "500", "2026-03-15");
        await Done($"/api/allocations/{link}/undo", new { reason = "meant for the older one" });
        var items = (await _app.Get("/api/accounts/PEL01")).GetProperty("items").EnumerateArray().ToArray();
        long Id(string start) =>
            items
                .Single(i => i.GetProperty("document").GetString()!.StartsWith(start, StringComparison.Ordinal))
                .GetProperty("id")
                .GetInt64();
        await Done(
            "/api/accounts/PEL01/set-offs",
            new
            {
                credit = Id("RCT"),
                valueDate = "2026-03-15",
                items = new[] { new { item = Id("INV-1001"), amount = "500" } },
            }
        );
        (await Open("PEL01")).ShouldBe("INV-1001 500.00, INV-1007 500.00");
    }

    [Fact]
    public async Task A_set_off_that_was_undone_is_not_taken_back_twice()
    {
        await Done("/api/accounts/PEL01/credit-notes", new { number = "CRN-1", net = "60" });
        var items = (await _app.Get("/api/accounts/PEL01")).GetProperty("items").EnumerateArray().ToArray();
        long Id(string document) =>
            items.Single(i => i.GetProperty("document").GetString() == document).GetProperty("id").GetInt64();
        var set = await Done(
            "/api/accounts/PEL01/set-offs",
            new { credit = Id("CRN-1"), items = new[] { new { item = Id("INV-1001"), amount = "60" } } }
        );
        var entry = set.GetProperty("entryId").GetInt64();
        var link = (await Links(entry)).Single().GetProperty("id").GetInt64();
        var undone = await Done($"/api/allocations/{link}/undo", new { reason = "wrong invoice" });
        Journal(undone).ShouldBeEmpty();
        (await _app.Refused($"/api/postings/{entry}/reverse", new { reason = "x" })).ShouldBe(["entry"]);
        (await Open("PEL01")).ShouldBe("CRN-1 -60.00, INV-1001 1000.00, INV-1007 500.00");
    }

    [Fact]
    public async Task What_was_written_off_with_a_payment_is_open_again()
    {
        var (_, link) = await Paid("HAR01", "INV-1010", "299", "2026-03-16");
        (await Open("HAR01")).ShouldBe("");
        var back = await Done($"/api/allocations/{link}/write-off-back", new { reason = "they owe it" });
        Journal(back).ShouldBe(["smallDifferences -1.00", "receivables 1.00"]);
        (await Open("HAR01")).ShouldBe("INV-1010 1.00");
    }

    [Fact]
    public async Task A_rest_is_written_off_by_decision_and_taken_back()
    {
        var item = (await _app.Get("/api/accounts/HAR01")).GetProperty("items")[0].GetProperty("id").GetInt64();
        var path = $"/api/accounts/HAR01/items/{item}/write-off";
        (await _app.Refused(path, new { })).ShouldBe(["reason"]);
        (await _app.Refused(path, new { amount = "300.01", reason = "x" })).ShouldBe(["amount"]);
        (await _app.Refused(path, new { amount = "0", reason = "x" })).ShouldBe(["amount"]);
        (await _app.Refused("/api/accounts/PEL01/items/9999/write-off", new { reason = "x" })).ShouldBe(["item"]);
        var part = await Done(path, new { amount = "0.40", reason = "a rest" });
        Journal(part).ShouldBe(["smallDifferences 0.40", "receivables -0.40"]);
        var all = await Done(path, new { badDebt = true, reason = "gone out of business" });
        Journal(all).ShouldBe(["badDebts 299.60", "receivables -299.60"]);
        (await Open("HAR01")).ShouldBe("");
        await Reverse(all);
        await Reverse(part);
        (await Open("HAR01")).ShouldBe("INV-1010 300.00");
    }

    [Fact]
    public async Task A_posting_that_is_not_there_is_told() =>
        (await _app.Post("/api/allocations/4711/undo", new { reason = "x" })).Status.ShouldBe(404);

    /// <summary>940 of 1,000 on the 13th, after the window: the 60 that stay open are disputed with the payment.</summary>
    [Fact]
    public async Task A_dispute_ends_with_the_payment_that_made_it()
    {
        var item = (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("items")
            .EnumerateArray()
            .Single(i => i.GetProperty("document").GetString() == "INV-1001")
            .GetProperty("id")
            .GetInt64();
        var posted = await Done(
            "/api/accounts/PEL01/receipts",
            new
            {
                cash = "940",
                valueDate = "2026-03-13",
                items = new[] { new { id = item, dispute = true } },
                reason = "short delivery",
            }
        );
        async Task<JsonElement> Dispute() => (await _app.Get("/api/accounts/PEL01")).GetProperty("disputes")[0];
        (await Dispute()).GetProperty("amount").GetString().ShouldBe("60.00");
        (await Dispute()).GetProperty("settledOn").ValueKind.ShouldBe(JsonValueKind.Null);
        await Done($"/api/postings/{posted.GetProperty("entryId").GetInt64()}/reverse", new { reason = "bounced" });
        (await Dispute()).GetProperty("settledOn").ValueKind.ShouldBe(JsonValueKind.String);
    }
}
