using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>What came of a call, written down in one step, and discounts that end soon.</summary>
public sealed class CallApiTests : IDisposable
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private readonly TestApp _app = new();
    private const string Path = "/api/accounts/PEL01";

    private readonly SharedDemo _demo;

    public CallApiTests(SharedDemo demo)
    {
        _demo = demo;
        _app.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                CompanyStore.Change(tx, stored.Settings with { PinnedBusinessDate = Today }, stored.Version, "tests");
                return AccountStore.Open(
                    tx,
                    new("Pellworm Sail Loft", Limit: 5000, Terms: "2/10 n/30", Email: "office@pellworm.example")
                );
            }
        );
    }

    public void Dispose() => _app.Dispose();

    private async Task<long> Invoice(string number, string date, string net)
    {
        var body = new
        {
            number,
            date,
            net,
            tax = "0",
            reason = "agreed",
        };
        var (status, posted) = await _app.Post(Path + "/invoices", body);
        status.ShouldBe(200, $"{posted}");
        return (await _app.Get(Path))
            .GetProperty("items")
            .EnumerateArray()
            .Single(i => Text(i, "number") == number)
            .GetProperty("id")
            .GetInt64();
    }

    private async Task<string[]> Entries() =>
        [
            .. (await _app.Get("/api/today"))
                .GetProperty("items")
                .EnumerateArray()
                .Select(e => $"{Text(e, "kind")} {Text(e, "atRisk")}"),
        ];

    private void Roll(int days) =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                CompanyStore.Change(
                    tx,
                    stored.Settings with
                    {
                        PinnedBusinessDate = Today.AddDays(days),
                    },
                    stored.Version,
                    "tests"
                );
                return true;
            }
        );

    [Fact]
    public async Task All_that_came_of_it_is_written_down_and_the_account_comes_back_on_its_day()
    {
        var disputed = await Invoice("A", "2026-01-05", "900");
        var copy = await Invoice("B", "2026-02-02", "300");
        var limit = new
        {
            amount = "1000",
            from = "2026-03-16",
            reason = "slow",
        };
        (await _app.Post(Path + "/limit", limit)).Status.ShouldBe(200);
        (await Entries()).ShouldBe(["overLimit 200.00"]);
        var (status, answer) = await _app.Post(
            Path + "/calls",
            new
            {
                contact = "A. Kemp",
                text = "Cheque is in the post",
                promise = new { amount = "300.00", dueOn = "2026-03-20" },
                dispute = new
                {
                    itemId = disputed,
                    amount = "40",
                    reason = "two lines short",
                },
                callAgain = "2026-03-23",
                callAbout = "the credit for the short lines",
                copies = new[] { copy },
                statement = true,
            }
        );
        status.ShouldBe(200, $"{answer}");
        var log = (await _app.Get(Path + "/log"))[0];
        (Text(log, "kind"), Text(log, "contact"), Text(log, "on")).ShouldBe(("call", "A. Kemp", "2026-03-16"));
        Text(log, "text")
            .ShouldBe(
                """
                Cheque is in the post
                Promised 300.00 GBP by 20 Mar 2026.
                Disputes A: two lines short
                Copies sent: B.
                A statement was sent.
                To be called again on 23 Mar 2026.
                """.ReplaceLineEndings("\n")
            );
        var page = await _app.Get(Path);
        Text(page.GetProperty("promises")[0], "amount").ShouldBe("300.00");
        Text(page.GetProperty("disputes")[0], "amount").ShouldBe("40.00");
        page.GetProperty("nextSteps")
            .EnumerateArray()
            .ShouldContain(s =>
                Text(s, "text") == "To be called again: the credit for the short lines"
                && Text(s, "date") == "2026-03-23"
            );
        var messages = (await _app.Get("/api/outbox")).GetProperty("items").EnumerateArray().ToArray();
        messages.Select(m => Text(m, "number")).ShouldBe(["STA-PEL01-20260316", "B"]);
        var shown = await _app.Client.GetByteArrayAsync(
            new Uri($"/api/outbox/{messages[0].GetProperty("id")}/pdf", UriKind.Relative)
        );
        using (var pdf = UglyToad.PdfPig.PdfDocument.Open(shown))
            string.Concat(pdf.GetPage(1).GetWords().Select(w => w.Text)).ShouldContain("1,200.00");
        // The same statement does not wait there twice.
        (
            await _app.Refused("/api/outbox", new { statement = new { account = "PEL01", from = "2026-02-01" } })
        ).ShouldBe(["number"]);

        // Until then it is out of the way; on the day it comes back, with what is overdue: 900 and 300.
        (await Entries()).ShouldBeEmpty();
        Roll(7);
        (await Entries()).ShouldBe(
            ["callAgain 1200.00", "promiseBroken 300.00", "overLimit 200.00"],
            ignoreOrder: true
        );
        // The next call does away with it.
        (await _app.Post(Path + "/calls", new { text = "Credit note is agreed" })).Status.ShouldBe(200);
        (await Entries()).ShouldNotContain(e => e.StartsWith("callAgain", StringComparison.Ordinal));
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task What_is_wrong_is_named_and_nothing_of_the_call_is_kept()
    {
        var item = await Invoice("A", "2026-01-05", "90");
        async Task Refuses(object body, params string[] fields)
        {
            (await _app.Refused(Path + "/calls", body)).ShouldBe(fields, $"{JsonSerializer.Serialize(body)}");
            (await _app.Get(Path + "/log")).GetArrayLength().ShouldBe(0);
            (await _app.Get(Path)).GetProperty("promises").GetArrayLength().ShouldBe(0);
        }

        var promise = new { amount = "50", dueOn = "2026-03-20" };
        await Refuses(new { contact = "A. Kemp" }, "text");
        await Refuses(new { promise = new { amount = "much", dueOn = "soon" } }, "promise.amount", "promise.dueOn");
        await Refuses(new { promise = new { amount = "50", dueOn = "2026-03-01" } }, "promise.dueOn");
        await Refuses(
            new
            {
                promise,
                dispute = new
                {
                    itemId = item,
                    amount = "91",
                    reason = "no",
                },
            },
            "dispute.amount"
        );
        await Refuses(new { promise, dispute = new { itemId = item } }, "dispute.reason");
        await Refuses(new { promise, callAgain = "2026-03-16" }, "callAgain");
        await Refuses(new { promise, callAgain = "2027-03-17" }, "callAgain");
        await Refuses(new { promise, copies = new[] { 999_999 } }, "copies");
        await Refuses(new { promise, copies = Enumerable.Range(1, 21) }, "copies");
        await Refuses(
            new
            {
                promise,
                copies = new[] { item },
                recipients = "nobody",
            },
            "recipients"
        );
        await Refuses(
            new
            {
                promise,
                callAgain = "2026-03-20",
                callAbout = new string('x', 201),
            },
            "callAbout"
        );
    }

    // 2/10: 2 % of what is invoiced, for ten days; on the 16th, invoices of the 6th to the 9th end within three days.
    [Fact]
    public async Task Discounts_that_end_within_three_days_stand_in_Today_with_what_they_come_to()
    {
        await Invoice("OLD", "2026-03-05", "100");
        await Invoice("FIRST", "2026-03-06", "110");
        var last = await Invoice("LAST", "2026-03-09", "120");
        await Invoice("LATER", "2026-03-10", "130");
        // A one-off discount of its own: 5 % within 3 days of the 14th.
        var own = new
        {
            number = "OWN",
            date = "2026-03-14",
            net = "200",
            tax = "0",
            terms = "5/3 n/30",
        };
        (await _app.Post(Path + "/invoices", own)).Status.ShouldBe(200);
        // 2.20 + 2.40 + 10.00.
        (await Entries()).ShouldBe(["discountEnds 14.60"]);
        // Terms of one document alone are found in a large book in another way.
        var desk = _app.Desk;
        var whole = _app.Books.Read(c =>
            new EndingDiscountStore(desk.Items, desk.Versions, many: 1).Of(
                c,
                desk.Snapshots.Current.Accounts,
                Today,
                RoundingRule.HalfAwayFromZero
            )
        );
        whole.Values.ShouldHaveSingleItem().Amount.ToString().ShouldBe("14.60");
        var entry = (await _app.Get("/api/today?kind=discountEnds")).GetProperty("items")[0];
        (Text(entry, "text"), Text(entry, "on")).ShouldBe(
            ("Discounts of 14.60 on 3 items end within 3 days", "2026-03-16")
        );

        // What is paid is no reason to call; what its credit note takes off is none either: 2 % of 120 − 20.
        var credit = new
        {
            date = "2026-03-12",
            net = "20",
            tax = "0",
            invoice = "LAST",
        };
        (await _app.Post(Path + "/credit-notes", credit)).Status.ShouldBe(200);
        (await Entries()).ShouldBe(["discountEnds 14.20"]);
        var receipt = new
        {
            valueDate = "2026-03-16",
            cash = "98.00",
            items = new[] { new { id = last } },
        };
        (await _app.Post(Path + "/receipts", receipt)).Status.ShouldBe(200);
        (await Entries()).ShouldBe(["discountEnds 12.20"]);
        // On the 17th FIRST is over; LATER is 2.60 of 130, and the last day of OWN.
        Roll(1);
        (await Entries()).ShouldBe(["discountEnds 12.60"]);
        Roll(5);
        (await Entries()).ShouldBeEmpty();
    }

    [Theory]
    [InlineData(1)]
    [InlineData(1000)]
    public void Of_a_whole_book_they_are_those_of_each_account_read_by_itself(int many)
    {
        var desk = _demo.App.Desk;
        var (book, day) = (desk.Snapshots.Current, desk.Today());
        var rounding = book.Settings.Rounding;
        var store = new EndingDiscountStore(desk.Items, desk.Versions, many);
        _demo.App.Books.Read(c =>
        {
            var found = store.Of(c, book.Accounts, day, rounding);
            foreach (var account in book.Accounts)
                found
                    .GetValueOrDefault(account.Id)
                    .ShouldBe(
                        EndingDiscounts.Of(desk.Items.Items(c, AccountStore.Get(c, account.Code)), day, rounding),
                        account.Code
                    );
            found.Count.ShouldBeGreaterThan(3);
            return true;
        });
    }

    /// <summary>A new promise replaces the open one that it names; one that is not open is refused by its field.</summary>
    [Fact]
    public async Task A_promise_replaces_the_open_one_that_it_names()
    {
        await Invoice("A", "2026-01-05", "900");
        async Task<string[]> States() =>
            [
                .. (await _app.Get(Path))
                    .GetProperty("promises")
                    .EnumerateArray()
                    .Select(p => $"{Text(p, "amount")} {Text(p, "state")}"),
            ];
        (await _app.Post(Path + "/promises", new { amount = "300", dueOn = "2026-03-20" })).Status.ShouldBe(200);
        var first = (await _app.Get(Path)).GetProperty("promises")[0].GetProperty("id").GetInt64();
        var later = new
        {
            amount = "400",
            dueOn = "2026-03-25",
            replaces = new[] { first },
        };
        (await _app.Post(Path + "/promises", later)).Status.ShouldBe(200);
        (await States()).ShouldBe(["400.00 waiting", "300.00 replaced"]);
        (await _app.Refused(Path + "/promises", later)).ShouldBe(["replaces"]);
    }
}
