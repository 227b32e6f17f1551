using KiteLine.Core;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;

namespace KiteLine.Store.Tests;

public sealed class ChargeAndReminderTests : IDisposable
{
    private static readonly DateOnly Today = TestBooks.Today;
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    private Effect<ChargeDecision> Raise(DateOnly through, params long[] leaveOut) =>
        _t.Write(tx => _t.LateCharges.Raise(tx, "PEL01", through, leaveOut));

    private Effect<IssuedReminder> Issue(DateOnly on) => _t.Write(tx => _t.Reminders.Issue(tx, "PEL01", on));

    [Fact]
    public void A_charge_is_raised_once_for_the_same_days()
    {
        var id = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var raised = Raise(Today);
        raised.Detail.Lines.ShouldHaveSingleItem().Total.ToString().ShouldBe("14.47");
        raised.After.Exposure.ShouldBe(101_447);
        _t.Item(id).ChargedThrough(TestBooks.Today).ShouldBe(Today);
        Should.Throw<RefusedException>(() => Raise(Today)).Message.ShouldContain("Nothing has accrued");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_reversed_charge_is_charged_from_its_former_day_again()
    {
        var id = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        Raise(new(2026, 2, 28));
        var second = Raise(Today);
        second.Detail.Lines[0].Segments.Sum(s => s.Days).ShouldBe(16);
        _t.Write(tx => ReversalDesk.Reverse(tx, second.EntryId, "waived"));
        _t.Item(id).ChargedThrough(TestBooks.Today).ShouldBe(new DateOnly(2026, 2, 28));
        Raise(Today).Detail.Lines[0].Total.ShouldBe(second.Detail.Lines[0].Total);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void An_earlier_charge_is_not_reversed_beneath_a_later_one()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var first = Raise(new(2026, 2, 28));
        Raise(Today);
        Should
            .Throw<RefusedException>(() => _t.Write(tx => ReversalDesk.Reverse(tx, first.EntryId, "waived")))
            .Message.ShouldContain("reverse that first");
    }

    [Fact]
    public void Items_left_out_accrue_on()
    {
        var (kept, left) = (
            _t.Invoice(1000, "2026-01-01", terms: "n/30"),
            _t.Invoice(500, "2026-01-01", terms: "n/30")
        );
        Raise(Today, left).Detail.Lines.ShouldHaveSingleItem().Item.Id.ShouldBe(kept);
        _t.Item(left).ChargedThrough(TestBooks.Today).ShouldBeNull();
    }

    [Fact]
    public void Days_paid_late_are_still_charged_after_the_payment()
    {
        var id = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        _t.Pay(1000, "2026-02-10", id);
        Raise(Today).Detail.Lines.ShouldHaveSingleItem().Segments.Sum(s => s.Days).ShouldBe(10);
    }

    [Fact]
    public void A_policy_for_showing_only_posts_nothing()
    {
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.LateCharge,
                "STD",
                "Standard",
                PolicyStore.LateCharge(tx.Connection, "STD")! with
                {
                    ShownOnly = true,
                },
                1
            )
        );
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        Should.Throw<RefusedException>(() => Raise(Today)).Message.ShouldContain("never posts");
    }

    [Fact]
    public void Reminders_move_items_level_by_level_and_the_letter_says_what_is_asked()
    {
        var id = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var first = Issue(new(2026, 2, 10));
        first.Detail.Level.ShouldBe(1);
        first.Journal.ShouldBeEmpty();
        Text(first.Detail.Number).ShouldContain("FirstreminderforPellwormSailLoft");

        var second = Issue(Today);
        second.Detail.Level.ShouldBe(2);
        second.Journal.Select(l => $"{l.Purpose} {l.Amount}").ShouldBe(["Receivables 12.00", "FeeIncome -12.00"]);
        second.After.State.ShouldBe(AccountState.Stop);
        var text = Text(second.Detail.Number);
        text.ShouldContain("1,026.47");
        text.ShouldContain("INV-00001");
        text.ShouldContain("23Mar2026");
        text.ShouldContain("TestRope");
        _t.Item(id).ReminderLevel.ShouldBe(2);
        Should.Throw<RefusedException>(() => Issue(Today)).Message.ShouldContain("last reminder");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Cancelling_reverses_the_fee_and_the_items_fall_back()
    {
        var id = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var first = Issue(new(2026, 2, 10));
        var second = Issue(Today);
        Should.Throw<RefusedException>(() => Cancel(first.Detail.Number)).Message.ShouldContain("issued later");
        Cancel(second.Detail.Number).Journal.Sum(l => l.Amount.Minor).ShouldBe(0);
        var item = _t.Item(id);
        (item.ReminderLevel, item.RemindedOn).ShouldBe((1, new DateOnly(2026, 2, 10)));
        Should.Throw<RefusedException>(() => Cancel(second.Detail.Number)).Message.ShouldContain("already");
        _t.Off().ShouldBeEmpty();
        Issue(Today).Detail.Level.ShouldBe(2);
    }

    [Fact]
    public void A_fee_that_is_shown_only_is_asked_for_while_its_items_are_open()
    {
        var level = TestBooks.Plan.Levels[1] with { DaysAfterDue = 7, FeeTreatment = Treatment.Show };
        _t.Write(tx =>
            PolicyStore.Save(tx, PolicyKind.ReminderPlan, "PLAN", "Plan", new ReminderPlan { Levels = [level] }, 1)
        );
        var id = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        Issue(Today).Journal.ShouldBeEmpty();
        _t.Books.Read(c => ShownFee.On(_t.Ledgers.Of(c, _t.Account).Letters, _t.Ledgers.Of(c, _t.Account).Items, Today))
            .ShouldHaveSingleItem()
            .Amount.ToString()
            .ShouldBe("12.00");
        _t.Pay(1000, "2026-03-16", id);
        _t.Books.Read(c => ShownFee.On(_t.Ledgers.Of(c, _t.Account).Letters, _t.Ledgers.Of(c, _t.Account).Items, Today))
            .ShouldBeEmpty();
    }

    [Fact]
    public void A_letter_of_many_items_goes_on_over_pages()
    {
        for (var i = 0; i < 60; i++)
            _t.Invoice(100 + i, "2026-01-01", terms: "n/30");
        var number = Issue(Today).Detail.Number;
        using var pdf = PdfDocument.Open(_t.Books.Read(c => ReminderStore.LetterOf(c, number)));
        pdf.NumberOfPages.ShouldBeGreaterThan(1);
        var pages = pdf.GetPages().Select(p => string.Concat(p.GetWords().Select(w => w.Text))).ToArray();
        pages[1].ShouldContain("Document");
        for (var i = 1; i <= 60; i++)
            pages.Count(p => p.Contains($"INV-{i:D5}", StringComparison.Ordinal)).ShouldBe(1);
        // Invoices of 100, 101, 102 …: what stands on the first page is carried on to the second.
        var first = Enumerable.Range(1, 60).Count(i => pages[0].Contains($"INV-{i:D5}", StringComparison.Ordinal));
        var sum = string.Create(
            System.Globalization.CultureInfo.InvariantCulture,
            $"{(100 * first) + (first * (first - 1) / 2):N2}"
        );
        pages[0].ShouldContain($"Carriedforward{sum}");
        pages[1].ShouldContain($"Broughtforward{sum}");
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_letter_that_was_made_beforehand_goes_out_unless_the_books_changed_meanwhile(bool changed)
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var made = _t.Books.Read(c => _t.Reminders.Make(c, _t.Account.Code, Today, Rules.Of(c, Today)))!;
        if (changed)
            _t.Invoice(500, "2026-01-01", terms: "n/30");
        var number = _t.Write(tx => _t.Reminders.Issue(tx, _t.Account.Code, Today, made)).Detail.Number;
        number.ShouldBe(made.Number);
        var letter = _t.Books.Read(c => ReminderStore.LetterOf(c, number));
        letter.SequenceEqual(made.Pdf).ShouldBe(!changed);
        Text(number).Contains("INV-00002", StringComparison.Ordinal).ShouldBe(changed);
        // Where there is nothing to issue nothing is made.
        _t.Books.Read(c => _t.Reminders.Make(c, _t.Account.Code, new(2026, 1, 2), Rules.Of(c, Today))).ShouldBeNull();
    }

    [Fact]
    public void The_picture_of_a_letter_is_its_first_page()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var proposal = _t.Books.Read(c => _t.Reminders.Propose(c, _t.Account, Today, Rules.Of(c, Today)));
        var letter = new ReminderLetter(
            "REM-1",
            new("Test Rope", ["1 Ropewalk"], ["Pay to the bank"]),
            new("PEL01", "Pellworm", []),
            proposal,
            TestBooks.Plan.Levels[0].Texts[0],
            "Late charge",
            "RF18539007547034"
        );
        var picture = KiteLine.Formats.LetterPdf.Picture(letter);
        picture[1..4].ShouldBe("PNG"u8.ToArray());
        // Width and height stand in the first chunk of a PNG.
        picture[16..24].ShouldBe(new byte[] { 0, 0, 0x04, 0xA6, 0, 0, 0x06, 0x94 });
        KiteLine
            .Formats.LetterPdf.Picture(letter with { To = letter.To with { Name = "Another" } })
            .ShouldNotBe(picture);
    }

    [Theory]
    [InlineData("")]
    [InlineData("With kind regards,\nCredit control")]
    public void The_foot_stands_whole_on_the_last_page_beneath_something(string closing)
    {
        string[] Pages(int items)
        {
            var rows = Enumerable
                .Range(1, items)
                .Select(i => new RemindedItem(
                    new()
                    {
                        Id = i,
                        Document = $"INV-{i}",
                        Kind = ItemKind.Invoice,
                        Date = Today,
                        Due = Today,
                        Movements = [new(MovementKind.Opened, Today, Money.FromMinor(100, Currency.Of("GBP")))],
                    },
                    Money.FromMinor(100, Currency.Of("GBP")),
                    1,
                    1,
                    true,
                    Money.Zero(Currency.Of("GBP"))
                ))
                .ToList();
            var proposal = new ReminderProposal
            {
                Date = Today,
                Level = 1,
                Items = rows,
                OwnFee = Money.Zero(Currency.Of("GBP")),
                EarlierFees = Money.Zero(Currency.Of("GBP")),
                LateCharge = Money.Zero(Currency.Of("GBP")),
                PayBy = Today,
            };
            var letter = new ReminderLetter(
                "REM-1",
                new("Test Rope", [], ["First line", "Second line", "Third line"]),
                new("PEL01", "Pellworm", []),
                proposal,
                new("", "Reminder", "", closing),
                "Late charge",
                ""
            );
            using var pdf = PdfDocument.Open(KiteLine.Formats.LetterPdf.Render(letter));
            return [.. pdf.GetPages().Select(p => string.Concat(p.GetWords().Select(w => w.Text)))];
        }

        // However full the page is, the foot is printed once, whole and last, and never makes a page of its own.
        foreach (var items in Enumerable.Range(1, 65))
        {
            var pages = Pages(items);
            pages[^1].ShouldEndWith("FirstlineSecondlineThirdline");
            pages.Count(p => p.Contains("Firstline", StringComparison.Ordinal)).ShouldBe(1);
            pages.ShouldAllBe(p =>
                p.Contains("INV-", StringComparison.Ordinal)
                || p.Contains("Pleasepay", StringComparison.Ordinal)
                || p.Contains("Creditcontrol", StringComparison.Ordinal)
            );
        }
    }

    [Fact]
    public void What_does_not_move_is_listed_apart_with_the_day_it_was_reminded_of()
    {
        RemindedItem Item(int id, bool moves, int level, DateOnly? reminded) =>
            new(
                new()
                {
                    Id = id,
                    Document = $"INV-{id}",
                    Kind = ItemKind.Invoice,
                    Date = Today,
                    Due = Today,
                    Movements = [new(MovementKind.Opened, Today, Money.FromMinor(100, Currency.Of("GBP")))],
                    RemindedOn = reminded,
                },
                Money.FromMinor(100, Currency.Of("GBP")),
                1,
                level,
                moves,
                Money.FromMinor(0, Currency.Of("GBP"))
            );
        string Text(params RemindedItem[] items)
        {
            var zero = Money.FromMinor(0, Currency.Of("GBP"));
            var proposal = new ReminderProposal
            {
                Date = Today,
                Level = 2,
                Items = items,
                OwnFee = zero,
                EarlierFees = zero,
                LateCharge = zero,
            };
            var text = new LevelText("", "Reminder", "", "");
            using var pdf = PdfDocument.Open(
                KiteLine.Formats.LetterPdf.Render(
                    new(
                        "REM-1",
                        new("Test Rope", [], []),
                        new("PEL01", "Pellworm", []),
                        proposal,
                        text,
                        "Late charge",
                        ""
                    )
                )
            );
            return string.Concat(pdf.GetPages().SelectMany(p => p.GetWords()).Select(w => w.Text));
        }

        var letter = Text(
            Item(1, false, 1, new DateOnly(2026, 2, 3)),
            Item(2, true, 2, new DateOnly(2026, 1, 4)),
            Item(3, false, 0, null)
        );
        var (moves, apart) = (
            letter.IndexOf("INV-2", StringComparison.Ordinal),
            letter.IndexOf("Alsooverdue", StringComparison.Ordinal)
        );
        moves.ShouldBeInRange(0, apart);
        letter[apart..].ShouldContain("INV-13Feb2026");
        letter[apart..].ShouldContain("INV-3–");
        letter[..apart].ShouldNotContain("INV-1");
        Text(Item(2, true, 2, null)).ShouldNotContain("Alsooverdue");
    }

    private Effect<string> Cancel(string number) => _t.Write(tx => ReminderDesk.Cancel(tx, number, "sent in error"));

    private string Text(string number)
    {
        using var pdf = PdfDocument.Open(_t.Books.Read(c => ReminderStore.LetterOf(c, number)));
        // Kerning parts words for the reader, so spaces are left out.
        return string.Concat(pdf.GetPages().SelectMany(p => p.GetWords()).Select(w => w.Text));
    }
}
