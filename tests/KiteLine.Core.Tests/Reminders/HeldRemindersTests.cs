using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>What holds reminders up, and fees that are asked for once. Values worked by hand.</summary>
public class HeldRemindersTests
{
    // A Monday.
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static readonly ReminderPlan Plan = new()
    {
        Levels =
        [
            new()
            {
                DaysAfterDue = 7,
                Fee = new ReminderFee.PerLetter(5),
                FeeTreatment = Treatment.Show,
                Texts = [new("", "First")],
            },
            new()
            {
                DaysAfterDue = 14,
                Fee = new ReminderFee.PerLetter(10),
                FeeTreatment = Treatment.Show,
                Texts = [new("", "Second")],
            },
        ],
    };

    private static Item Late(decimal amount = 300, long id = 1, params ItemDispute[] disputes) =>
        Given.Invoice($"INV-{id}", amount, "2026-01-15", "2026-02-14", id) with
        {
            Disputes = disputes,
        };

    private static ReminderProposal For(AccountLedger ledger, DateOnly? on = null) =>
        ReminderProposal.For(ledger with { Plan = ledger.Plan ?? Plan }, on ?? Today, Given.Rules(Today));

    [Fact]
    public void What_is_disputed_is_left_out_of_the_letter()
    {
        var claim = new ItemDispute(Given.Pounds(120), Today.AddDays(-5), null);
        var part = For(Given.Ledger(null, Late(300, 1, claim), Late(50, 2)));
        part.Items.Select(i => $"{i.Item.Id} {i.Open}").ShouldBe(["1 180.00", "2 50.00"]);
        part.ItemsLeftOut.ShouldHaveSingleItem().Amount.ToString().ShouldBe("120.00");
        part.Total.ToString().ShouldBe("235.00");
        var whole = For(Given.Ledger(null, Late(300, 1, claim with { Amount = Given.Pounds(300) })));
        (whole.Level, whole.LeftOut).ShouldBe((0, "All that is overdue is disputed."));
        For(Given.Ledger(null, Late(300, 1, claim with { Until = Today }))).Items[0].Open.ToString().ShouldBe("300.00");
    }

    /// <summary>Due on Friday the 13th, it is judged on Monday the 16th; until then no letter goes out.</summary>
    [Theory]
    [InlineData("2026-03-12", 0, 0)]
    [InlineData("2026-03-15", 0, 0)]
    [InlineData("2026-03-16", 0, 1)]
    [InlineData("2026-03-12", 1, 1)]
    public void A_promise_pauses_reminders_until_it_is_judged_or_taken_back(
        string day,
        int withdrawnDaysBefore,
        int level
    )
    {
        var on = Given.Day(day);
        var promise = new BookPromise(
            1,
            Given.Day("2026-03-09"),
            Given.Day("2026-03-13"),
            30_000,
            withdrawnDaysBefore == 0 ? null : on.AddDays(-withdrawnDaysBefore)
        );
        var ledger = Given.Ledger(null, Late());
        var p = For(ledger with { Book = ledger.Book with { Promises = [promise] } }, on);
        p.Level.ShouldBe(level);
        if (level == 0)
            (p.NextOn, p.LeftOut!.Contains("promised", StringComparison.Ordinal)).ShouldBe(
                (Given.Day("2026-03-16"), true)
            );
    }

    [Fact]
    public void Reminders_pause_for_the_open_promise_that_is_due_last()
    {
        var account = Given.Ledger(null, Late()).Book;
        BookPromise older = new(1, Given.Day("2026-03-02"), Given.Day("2026-03-20"), 10_000),
            newer = new(2, Given.Day("2026-03-09"), Given.Day("2026-03-25"), 20_000);
        long? Latest(params BookPromise[] promises) =>
            PromiseLedger
                .On(account with { Promises = promises }, Today, BusinessCalendar.WeekendsOnly)
                .Open.LastOrDefault()
                ?.Promise.Id;
        Latest(older, newer).ShouldBe(2);
        Latest(older with { WithdrawnOn = Given.Day("2026-03-10") }, newer).ShouldBe(2);
        Latest(older, newer with { WithdrawnOn = Given.Day("2026-03-10") }).ShouldBe(1);
    }

    /// <summary>
    /// 300.00 overdue: after a letter that asked for 5.00, the second asks for 10.00 in its place, or for both.
    /// </summary>
    [Theory]
    [InlineData(false, "310.00")]
    [InlineData(true, "315.00")]
    public void What_the_letter_asks_for_is_what_is_to_settle_after_it(bool add, string asked)
    {
        var plan = Plan with { Levels = [Plan.Levels[0], Plan.Levels[1] with { AddEarlierFees = add }] };
        var first = new SentReminder("REM-1", Today.AddDays(-10), 1, Given.Pounds(5), false, true, [1]);
        var ledger = Given.Ledger(null, Late() with { ReminderLevel = 1, Reminders = 1, RemindedOn = first.Date }) with
        {
            Plan = plan,
            Letters = [first],
        };
        var letter = For(ledger);
        letter.Total.ToString().ShouldBe(asked);
        var issued = ledger with { Letters = [first, new("REM-2", Today, 2, letter.OwnFee, false, !add, [1])] };
        ToSettle.For(issued, Today, Given.Rules(Today)).ToPay.ToString().ShouldBe(asked);
    }

    /// <summary>
    /// Both fees are posted: 5.00 stands as an item when the second letter books its own 10.00, not 15.00.
    /// </summary>
    [Fact]
    public void A_posted_fee_is_booked_once()
    {
        var plan = new ReminderPlan
        {
            Levels = [.. Plan.Levels.Select(l => l with { FeeTreatment = Treatment.Post, AddEarlierFees = true })],
        };
        var fee = Given.Invoice("FEE-1", 5, "2026-03-06", "2026-03-13", 7) with { Kind = ItemKind.ReminderFee };
        var ledger = Given.Ledger(
            null,
            Late() with
            {
                ReminderLevel = 1,
                Reminders = 1,
                RemindedOn = Today.AddDays(-10),
            },
            fee
        ) with
        {
            Plan = plan,
            Letters = [new("REM-1", Today.AddDays(-10), 1, Given.Pounds(5), true, false, [1])],
        };
        var p = For(ledger);
        $"{p.OwnFee} {p.EarlierFees} {p.Total}".ShouldBe("10.00 0.00 315.00");
        ReminderDecision.Of(ledger, Today, Given.Rules(Today)).Fee!.Lines[0].Amount.ToString().ShouldBe("10.00");
    }

    /// <summary>
    /// 2 % is measured on the overdue invoices: 6.00 of 300.00, not 6.50 of what fees and charges make of it.
    /// </summary>
    [Theory]
    [InlineData(false, "6.00")]
    [InlineData(true, "6.50")]
    public void A_percentage_is_taken_of_invoices_unless_the_level_says_of_charges_too(bool onCharges, string fee)
    {
        var plan = new ReminderPlan
        {
            Levels = [Plan.Levels[0] with { Fee = new ReminderFee.Percent(2), FeeOnCharges = onCharges }],
        };
        var charge = Given.Invoice("LCH-1", 25, "2026-03-01", "2026-03-08", 8) with { Kind = ItemKind.LateCharge };
        For(Given.Ledger(null, Late(), charge) with { Plan = plan }).OwnFee.ToString().ShouldBe(fee);
    }

    [Fact]
    public void An_account_is_overdue_by_its_due_dates_also_where_its_ageing_goes_by_invoice_dates()
    {
        var book = new BookAccount
        {
            Id = 1,
            Code = "A",
            Name = "A",
            Currency = Given.Gbp,
            Items =
            [
                new(ItemKind.Invoice, Today.AddDays(-40), Today.AddDays(5), 10_000, 0, 1),
                new(ItemKind.Invoice, Today.AddDays(-40), Today.AddDays(-3), 7_000, 1, 1),
            ],
            Movements = [new(Today.AddDays(-40), 10_000), new(Today.AddDays(-40), 7_000)],
            ItemIds = [1, 2],
        };
        var position = AccountPosition.On(
            book,
            Today,
            Given.Positions(buckets: AgeingBuckets.Of([30, 60, 90], byInvoiceDate: true))
        );
        (position.Overdue, position.OldestDays).ShouldBe((7_000, 3));
        position.Ageing[2].ShouldBe(17_000);
    }

    /// <summary>
    /// A cheque of 931.00 with 19.00 of discount and 0.50 written off: 950.50 would be open again if it bounced.
    /// </summary>
    [Fact]
    public void A_receipt_that_has_not_cleared_counts_all_that_would_be_open_again()
    {
        var receipt = new BookReceipt(
            4,
            11,
            "RCT-1",
            Today.AddDays(-1),
            Today.AddDays(4),
            null,
            93_100,
            [new(Today.AddDays(-1), null, 93_100, 1_950)]
        );
        var book = new BookAccount
        {
            Id = 1,
            Code = "A",
            Name = "A",
            Currency = Given.Gbp,
            Receipts = [receipt],
        };
        var counts = Given.Positions(new ExposureSettings(UnclearedCount: true));
        long On(int days) => AccountPosition.On(book, Today.AddDays(days), counts).Uncleared;
        (On(-2), On(0), On(3), On(4)).ShouldBe((0, 95_050, 95_050, 0));
    }
}
