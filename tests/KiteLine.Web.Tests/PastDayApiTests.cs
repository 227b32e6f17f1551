using System.Globalization;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>
/// One page gives one answer, also of a past day and after a receipt that came in late. Values worked by hand.
/// </summary>
public sealed class PastDayApiTests : IDisposable
{
    private readonly OneAccountApp _app = new();
    private readonly DateOnly _today;

    public PastDayApiTests()
    {
        _today = _app.Today;
        _app.Books.Write(
            "tests",
            tx =>
            {
                // As if posted forty days ago: 3,650.00 at 10 % act/365f bear 1.00 a day.
                tx.ActingOn = _today.AddDays(-40);
                var account = AccountStore.Get(tx.Connection, "PEL01");
                PolicyStore.Save(
                    tx,
                    PolicyKind.TaxCode,
                    "TAX",
                    "Tax",
                    new TaxCode { Rates = [new(new(2020, 1, 1), 20, [new("Office", 20)])] },
                    0
                );
                PolicyStore.Save(
                    tx,
                    PolicyKind.LateCharge,
                    "TEN",
                    "Ten",
                    new LateChargePolicy
                    {
                        Rates = [new(new(2000, 1, 1), 10)],
                        DayCount = DayCount.Of("act/365f"),
                        TaxCode = "TAX",
                    },
                    0
                );
                AccountStore.Change(tx, account with { LateChargePolicy = "TEN" }, "agreed");
                var terms = PolicyStore.TermsByText(tx, "n/10");
                return PostingStore.Post(
                    tx,
                    account,
                    InvoicePosting.Invoice(
                        "INV-1",
                        _today.AddDays(-40),
                        new InvoiceAmounts(
                            Money.Exact(3650, account.Currency),
                            Money.Zero(account.Currency),
                            Money.Zero(account.Currency)
                        ),
                        terms.Definition.ToTerms(),
                        tx.Rules()
                    ),
                    terms.Id
                );
            }
        );
    }

    public void Dispose() => _app.Dispose();

    private string Day(int later) => _today.AddDays(later).ToString("O", CultureInfo.InvariantCulture);

    [Fact]
    public async Task Items_position_and_what_is_to_settle_agree_on_a_past_day_after_a_late_receipt()
    {
        // Due thirty days ago; 650.00 came in by twenty days ago and are posted today.
        var item = (await _app.Get("/api/accounts/PEL01")).GetProperty("items")[0].GetProperty("id").GetInt64();
        (
            await _app.Post(
                "/api/accounts/PEL01/receipts",
                new
                {
                    valueDate = Day(-20),
                    cash = "650.00",
                    items = new[] { new { id = item } },
                }
            )
        ).Status.ShouldBe(200);
        var page = await _app.Get($"/api/accounts/PEL01?asOf={Day(-10)}");
        var shown = page.GetProperty("items")[0];
        (Text(shown, "open"), Text(shown, "openByValue")).ShouldBe(("3650.00", "3000.00"));
        Text(page.GetProperty("position"), "exposure")
            .ShouldBe(
                page.GetProperty("items")
                    .EnumerateArray()
                    .Sum(i => Number(i, "open"))
                    .ToString("F2", CultureInfo.InvariantCulture)
            );
        var settle = await _app.Get($"/api/accounts/PEL01/settlement?on={Day(-10)}");
        // Ten days on 3,650.00 and ten on 3,000.00: 10.00 + 8.219 = 18.22, with 20 % tax 21.86.
        (Text(settle, "open"), Text(settle, "lateCharges"), Text(settle, "toPay")).ShouldBe(
            ("3000.00", "21.86", "3021.86")
        );
        Text(shown, "lateCharge").ShouldBe("21.86");
    }

    [Fact]
    public async Task A_charge_with_tax_is_one_amount_in_every_place_and_a_late_receipt_is_made_good()
    {
        // Thirty days: 30.00, with tax 36.00.
        Text(await _app.Get("/api/accounts/PEL01/settlement"), "lateCharges").ShouldBe("36.00");
        var (_, raised) = await _app.Post("/api/accounts/PEL01/late-charges", new { through = Day(0) });
        (Text(raised, "total"), Text(raised, "tax"), Text(raised.GetProperty("after"), "exposure")).ShouldBe(
            ("36.00", "6.00", "3686.00")
        );
        // Paid twenty-five days ago, as it turns out: five days were due, and 25.00 with 5.00 of tax come back.
        var item = (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("items")
            .EnumerateArray()
            .First(i => Text(i, "document") == "INV-1")
            .GetProperty("id")
            .GetInt64();
        await _app.Post(
            "/api/accounts/PEL01/receipts",
            new
            {
                valueDate = Day(-25),
                cash = "3650.00",
                items = new[] { new { id = item } },
            }
        );
        Text(await _app.Get("/api/accounts/PEL01/settlement"), "lateCharges").ShouldBe("-30.00");
        var (_, corrected) = await _app.Post("/api/accounts/PEL01/late-charges", new { through = Day(0) });
        (Text(corrected, "total"), Text(corrected.GetProperty("charges")[0], "correction")).ShouldBe(
            ("-30.00", "-25.00")
        );
        Text(await _app.Get("/api/accounts/PEL01/settlement"), "toPay").ShouldBe("6.00");
        Text((await _app.Get("/api/accounts/PEL01")).GetProperty("position"), "exposure").ShouldBe("6.00");
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_past_day_knows_nothing_of_letters_that_went_out_later()
    {
        _app.Books.Write(
            "tests",
            tx =>
            {
                PolicyStore.Save(
                    tx,
                    PolicyKind.ReminderPlan,
                    "PLAN",
                    "Plan",
                    new ReminderPlan { Levels = [new() { DaysAfterDue = 7, Texts = [new("", "Reminder")] }] },
                    0
                );
                return AccountStore.Change(
                    tx,
                    AccountStore.Get(tx.Connection, "PEL01") with
                    {
                        ReminderPlan = "PLAN",
                    },
                    "agreed"
                );
            }
        );
        (await _app.Post("/api/accounts/PEL01/reminders", new { })).Status.ShouldBe(200);
        var before = (await _app.Get($"/api/accounts/PEL01?asOf={Day(-1)}")).GetProperty("items")[0];
        (
            before.GetProperty("reminderLevel").GetInt32(),
            before.GetProperty("marks").EnumerateArray().Count(m => m.GetProperty("sent").GetBoolean())
        ).ShouldBe((0, 0));
        (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("items")[0]
            .GetProperty("reminderLevel")
            .GetInt32()
            .ShouldBe(1);
    }
}
