using Dapper;
using KiteLine.Core;
using KiteLine.Formats;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>
/// Runs over books: what they post, what they leave, what stops them, and that nothing is posted twice. 1,000.00 at 12 %
/// act/365f, due on 31 January, bears 14.47 in the 44 days to 16 March (worked by hand).
/// </summary>
public sealed class RunTests : IDisposable
{
    private static readonly DateOnly Today = TestBooks.Today;
    private static readonly Actor Anna = new("Anna", Role.Controller, Authority.None with { WriteOff = 500 })
    {
        Identity = "user 7",
    };
    private readonly TestBooks _t = new();
    private readonly RunDesk _desk;
    private RunPosting _posting;

    public RunTests()
    {
        _desk = new(_t.Ledgers, new RunProposals(_t.Ledgers, new VersionCache()));
        _posting = Posting(_t.Reminders);
    }

    public void Dispose() => _t.Dispose();

    private RunPosting Posting(ReminderDesk reminders) =>
        new(_t.Books, _t.Ledgers, reminders, (_, _) => { }, (_, _) => { });

    private long Propose(RunKind kind, DateOnly? date = null) =>
        _desk.Propose(_t.Books, Anna, kind, date ?? Today, "all accounts", c => BookLoader.Load(c));

    private void Post(long run)
    {
        _t.Books.Write(Anna, tx => RunDesk.Start(tx, run, send: false));
        while (_posting.Next(run)) { }
    }

    private IReadOnlyDictionary<RunLineState, long> Counts(long run) => _t.Books.Read(c => RunStore.Progress(c, run));

    private IEnumerable<int> Levels(long run) =>
        _t
            .Books.Read(c => RunStore.Page(c, run, [RunLineState.Ready], 0, 100))
            .SelectMany(l => l.Line.Items)
            .Select(i => i.Level)
            .Distinct();

    private StoredRun Run(long run) => _t.Books.Read(c => RunStore.Get(c, run));

    private StoredRunLine Line(long run, string code = "PEL01") =>
        _t.Books.Read(c => RunStore.Line(c, run, AccountStore.Get(c, code).Id));

    private StoredRunLine Change(long run, RunChangeKind kind, long? item = null, decimal? amount = null) =>
        _t.Books.Write(
            Actor.Program("manager"),
            tx =>
                _desk.Change(
                    tx,
                    run,
                    "PEL01",
                    new(kind, item, amount is { } a ? Money.Exact(a, Currency.Of("GBP")) : null, null, "because")
                )
        );

    /// <summary>A controller who chose a lower level goes on from there, whatever was reached before.</summary>
    [Fact]
    public void The_level_of_an_item_is_that_of_its_latest_reminder()
    {
        var first = TestBooks.Plan.Levels[0];
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.ReminderPlan,
                "PLAN",
                "Plan",
                TestBooks.Plan with
                {
                    Levels = [first, first with { DaysAfterDue = 14 }, first with { DaysAfterDue = 21 }],
                    MostReminders = 9,
                },
                1
            )
        );
        var id = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        _t.Write(tx => _t.Reminders.Issue(tx, "PEL01", new(2026, 2, 10)));
        _t.Write(tx => _t.Reminders.Issue(tx, "PEL01", new(2026, 2, 20)));
        _t.Item(id).ReminderLevel.ShouldBe(2);
        var run = Propose(RunKind.Reminders);
        _t.Books.Write(
            Actor.Program("manager"),
            tx => _desk.Change(tx, run, "PEL01", new(RunChangeKind.SetLevel, null, null, 1, "they moved"))
        );
        Post(run);
        _t.Item(id).ReminderLevel.ShouldBe(1);
        // The next one speaks at the second level, in the run as on the account.
        var later = Today.AddDays(10);
        var next = _t.Books.Read(c => ReminderProposal.For(_t.Ledgers.Of(c, _t.Account), later, Rules.Of(c, later)));
        next.Level.ShouldBe(2, next.LeftOut);
        _t.Off().ShouldBeEmpty();
    }

    private void More(int accounts) =>
        _t.Write(tx =>
        {
            var terms = PolicyStore.TermsByText(tx, "n/30");
            for (var i = 0; i < accounts; i++)
            {
                var account = AccountStore.Open(
                    tx,
                    new($"Loft {i}", Terms: "n/30", LateChargePolicy: "STD", ReminderPlan: "PLAN")
                );
                var gbp = account.Currency;
                PostingStore.Post(
                    tx,
                    account,
                    InvoicePosting.Invoice(
                        null,
                        new(2026, 1, 1),
                        new InvoiceAmounts(Money.Exact(1000, gbp), Money.Zero(gbp), Money.Zero(gbp)),
                        terms.Definition.ToTerms(),
                        tx.Rules()
                    ),
                    terms.Id
                );
            }

            return true;
        });

    [Fact]
    public void A_run_raises_one_document_an_account_and_proposes_nothing_when_it_is_made_again()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        More(3);
        var run = Propose(RunKind.LateCharges);
        Counts(run).ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Ready] = 4 });
        _t.Books.Read(c => RunStore.Counts(c, run)).ShouldHaveSingleItem().Amount.ShouldBe(4 * 1447);
        Post(run);
        Run(run).State.ShouldBe(RunState.Posted);
        Counts(run).ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Posted] = 4 });
        Line(run).Document.ShouldNotBeNull();
        var charge = _t.Books.Read(c => ChargeStore.Get(c, Line(run).Entry!.Value, new VersionCache()));
        charge.Lines.ShouldHaveSingleItem().Amount.ToString().ShouldBe("14.47");
        (charge.Lines[0].From, charge.Lines[0].Through).ShouldBe((new DateOnly(2026, 2, 1), Today));
        Counts(Propose(RunKind.LateCharges)).ShouldBeEmpty();
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void What_somebody_changes_meanwhile_is_proposed_anew_and_not_posted()
    {
        var id = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        More(1);
        var run = Propose(RunKind.LateCharges);
        _t.Pay(500, "2026-02-15", id);
        Post(run);
        Counts(run)
            .ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Changed] = 1, [RunLineState.Posted] = 1 });
        // 15 days on 1,000.00 and 29 on 500.00: 4.9315 + 4.7671.
        Line(run).Line.Amount.ToString().ShouldBe("9.70");
        Change(run, RunChangeKind.Confirm).State.ShouldBe(RunLineState.Ready);
        Post(run);
        Line(run).State.ShouldBe(RunLineState.Posted);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void What_is_left_out_accrues_on_and_what_is_cut_stays_cut()
    {
        var (first, second) = (
            _t.Invoice(1000, "2026-01-01", terms: "n/30"),
            _t.Invoice(1000, "2026-01-01", terms: "n/30")
        );
        var run = Propose(RunKind.LateCharges);
        Change(run, RunChangeKind.LeaveOutItem, first).Line.Amount.ToString().ShouldBe("14.47");
        Change(run, RunChangeKind.CutItem, second, 4).Line.Amount.ToString().ShouldBe("4.00");
        Post(run);
        var next = Line(Propose(RunKind.LateCharges)).Line;
        next.Items.Select(i => $"{i.Item} {i.Amount}").ShouldBe([$"{first} 14.47"]);
        // A cut is what the books say for good: a receipt of before corrects only what lies below it.
        _t.Pay(1000, "2026-02-10", second);
        Line(Propose(RunKind.LateCharges))
            .Line.Items.Select(i => $"{i.Item} {i.Amount}")
            .ShouldBe([$"{first} 14.47", $"{second} -0.71"]);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public async Task A_stop_leaves_whole_accounts_and_the_run_goes_on_from_there()
    {
        More(60);
        var run = Propose(RunKind.LateCharges);
        _t.Books.Write(Anna, tx => RunDesk.Start(tx, run, send: false));
        await NextUntilStopped(run);
        var half = Counts(run);
        half[RunLineState.Posted].ShouldBeInRange(1, 59);
        (half[RunLineState.Posted] + half[RunLineState.Ready]).ShouldBe(60);
        _t.Off().ShouldBeEmpty();
        // Another program that opens the books goes on where this one was killed.
        _t.Books.Write(Anna, tx => RunDesk.Start(tx, run, send: false));
        RunDesk.AfterStart(_t.Books);
        _t.Books.Read(RunPosting.AtWork).ShouldBe(run);
        _posting = Posting(_t.Reminders);
        while (_posting.Next(run)) { }
        Counts(run).ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Posted] = 60 });
        _t.Books.Read(c => RunStore.Page(c, run, [RunLineState.Posted], 0, 100))
            .Select(l => l.Document)
            .Distinct()
            .Count()
            .ShouldBe(60);
        _t.Off().ShouldBeEmpty();
    }

    // A run at work makes way for whoever waits to write, here for who stops it.
    private async Task NextUntilStopped(long run)
    {
        var stop = Task.CompletedTask;
        _t.Books.Beginning += Stop;
        _posting.Next(run).ShouldBeTrue();
        await stop;
        _posting.Next(run).ShouldBeFalse();

        void Stop(Tx begun)
        {
            _t.Books.Beginning -= Stop;
            stop = Task.Run(() => _t.Books.Write(Anna, tx => RunDesk.Stop(tx, run)));
            SpinWait.SpinUntil(() => _t.Books.IsAwaited);
        }
    }

    [Fact]
    public void One_that_is_refused_is_named_and_the_others_are_posted_with_numbers_in_a_row()
    {
        More(5);
        var run = Propose(RunKind.LateCharges);
        var third = _t.Books.Read(c => AccountStore.Get(c, "LOF03").Id);
        _posting = new(_t.Books, _t.Ledgers, _t.Reminders, Send, (_, _) => { });
        _t.Books.Write(Anna, tx => RunDesk.Start(tx, run, send: true));
        while (_posting.Next(run)) { }
        Counts(run)
            .ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Failed] = 1, [RunLineState.Posted] = 4 });
        (Line(run, "LOF03").State, Line(run, "LOF03").Reason).ShouldBe((RunLineState.Failed, "No address."));
        _t.Books.Read(c => RunStore.Page(c, run, [RunLineState.Posted], 0, 100))
            .Select(l => l.Document)
            .Order()
            .ShouldBe(["LCH-00001", "LCH-00002", "LCH-00003", "LCH-00004"]);
        _t.Off().ShouldBeEmpty();

        void Send(Tx tx, long entry)
        {
            if (
                tx.Connection.ExecuteScalar<long>("SELECT account_id FROM entry WHERE id = @entry", new { entry })
                == third
            )
                throw new RefusedException("address", "No address.");
        }
    }

    [Fact]
    public async Task One_that_is_ready_again_behind_those_that_were_posted_is_not_forgotten()
    {
        var first = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        More(120);
        var run = Propose(RunKind.LateCharges);
        _t.Pay(500, "2026-02-15", first);
        _t.Books.Write(Anna, tx => RunDesk.Start(tx, run, send: false));
        await NextUntilStopped(run);
        Counts(run)[RunLineState.Ready].ShouldBeGreaterThan(0);
        Change(run, RunChangeKind.Confirm).State.ShouldBe(RunLineState.Ready);
        Post(run);
        Counts(run).ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Posted] = 121 });
        Line(run).Line.Amount.ToString().ShouldBe("9.70");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_run_is_taken_back_whole_and_its_items_are_charged_from_their_former_day_again()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        More(2);
        var run = Propose(RunKind.LateCharges);
        Post(run);
        _t.Books.Write(Anna, tx => RunDesk.ReverseOne(tx, run, "PEL01", "on the telephone"))
            .State.ShouldBe(RunLineState.Reversed);
        _t.Books.Write(Anna, tx => RunDesk.Reverse(tx, run, "wrong rate"));
        while (_posting.Next(run)) { }
        Run(run).State.ShouldBe(RunState.Reversed);
        Counts(run).ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Reversed] = 3 });
        Line(Propose(RunKind.LateCharges)).Line.Amount.ToString().ShouldBe("14.47");
        Should.Throw<RefusedException>(() => _t.Books.Write(Anna, tx => RunDesk.Reverse(tx, run, "again")));
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Later_charges_keep_an_account_from_being_taken_back_and_it_says_so()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        More(1);
        var first = Propose(RunKind.LateCharges, new(2026, 2, 28));
        Post(first);
        _t.Write(tx => _t.LateCharges.Raise(tx, "PEL01", Today));
        _t.Books.Write(Anna, tx => RunDesk.Reverse(tx, first, "wrong"));
        while (_posting.Next(first)) { }
        Run(first).State.ShouldBe(RunState.Posted);
        var line = Line(first);
        line.State.ShouldBe(RunLineState.Posted);
        line.Reason.ShouldContain("reverse that first");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_reversal_that_is_stopped_leaves_what_it_could_not_take_back_as_posted_and_never_posts_it_again()
    {
        _t.Invoice(5000, "2026-01-01", terms: "n/30");
        More(30);
        var first = Propose(RunKind.LateCharges, new(2026, 2, 28));
        Post(first);
        // The latest charge keeps the largest amount of the run from being taken back; it comes first.
        _t.Write(tx => _t.LateCharges.Raise(tx, "PEL01", Today));
        _t.Books.Write(Anna, tx => RunDesk.Reverse(tx, first, "wrong"));
        _posting.Next(first).ShouldBeTrue();
        _t.Books.Write(Anna, tx => RunDesk.Stop(tx, first));
        Counts(first).Keys.ShouldBe([RunLineState.Posted, RunLineState.Reversed], ignoreOrder: true);
        Line(first).State.ShouldBe(RunLineState.Posted);
        Line(first).Reason.ShouldContain("reverse that first");
        Should.Throw<RefusedException>(() => Change(first, RunChangeKind.Confirm));
        Should.Throw<RefusedException>(() => _t.Books.Write(Anna, tx => RunDesk.Start(tx, first, send: false)));
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Reminders_are_numbered_in_a_row_and_move_their_items_once()
    {
        _t.Invoice(1000, "2026-01-20", terms: "n/30");
        More(14);
        var run = Propose(RunKind.Reminders);
        Post(run);
        Counts(run).ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Posted] = 15 });
        var lines = _t.Books.Read(c => RunStore.Page(c, run, [RunLineState.Posted], 0, 100));
        lines.Select(l => l.Document).Distinct().Count().ShouldBe(15);
        foreach (var line in lines)
            UglyToad
                .PdfPig.PdfDocument.Open(_t.Books.Read(c => ReminderStore.LetterOf(c, line.Document!)))
                .GetPage(1)
                .Text.ShouldContain(line.Document!);
        // Each item has gone up one level, and no further.
        Levels(Propose(RunKind.Reminders)).ShouldBe([2]);
        _t.Books.Write(Anna, tx => RunDesk.Reverse(tx, run, "sent too early"));
        while (_posting.Next(run)) { }
        Run(run).State.ShouldBe(RunState.Reversed);
        Levels(Propose(RunKind.Reminders)).ShouldBe([1]);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_letter_that_cannot_be_made_waits_and_the_others_go()
    {
        More(5);
        var run = Propose(RunKind.Reminders);
        var spoilt = new ReminderDesk(
            _t.Ledgers,
            letter =>
                letter.To.Name == "Loft 2" ? throw new InvalidOperationException("no glyph") : LetterPdf.Render(letter)
        );
        _posting = Posting(spoilt);
        Post(run);
        Counts(run)
            .ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Failed] = 1, [RunLineState.Posted] = 4 });
        var failed = _t.Books.Read(c => RunStore.Page(c, run, [RunLineState.Failed], 0, 10))[0];
        failed.Reason.ShouldBe("The letter could not be made: no glyph");
        _t.Books.Write(
            Anna,
            tx => _desk.Change(tx, run, failed.Account, new(RunChangeKind.Confirm, null, null, null, ""))
        );
        _posting = Posting(_t.Reminders);
        Post(run);
        Counts(run).ShouldBe(new Dictionary<RunLineState, long> { [RunLineState.Posted] = 5 });
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_plan_that_changes_before_the_letters_go_holds_them()
    {
        _t.Invoice(1000, "2026-01-20", terms: "n/30");
        var run = Propose(RunKind.Reminders);
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.ReminderPlan,
                "PLAN",
                "Plan",
                TestBooks.Plan with
                {
                    Levels =
                    [
                        TestBooks.Plan.Levels[0] with
                        {
                            Fee = new ReminderFee.PerLetter(5),
                            FeeTreatment = Treatment.Post,
                        },
                    ],
                },
                1
            )
        );
        Post(run);
        Line(run).State.ShouldBe(RunLineState.Changed);
        Line(run).Line.Fee.ToString().ShouldBe("5.00");
    }

    [Fact]
    public void What_was_being_worked_out_when_the_program_ended_is_discarded()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        Should.Throw<TimeoutException>(() =>
            _desk.Propose(_t.Books, Anna, RunKind.LateCharges, Today, "all", _ => throw new TimeoutException())
        );
        Run(1).State.ShouldBe(RunState.Discarded);
        Should.Throw<RefusedException>(() => _t.Books.Write(Anna, tx => RunDesk.Start(tx, 1, send: false)));
        var second = Propose(RunKind.LateCharges);
        _t.Books.Write(Anna, tx => RunDesk.Discard(tx, second, "not needed"));
        Run(second).State.ShouldBe(RunState.Discarded);
        Counts(second).ShouldBeEmpty();
    }

    [Fact]
    public void No_more_runs_wait_than_somebody_reads()
    {
        for (var i = 0; i < RunRule.MostWaiting; i++)
            Propose(RunKind.LateCharges);
        Should.Throw<RefusedException>(() => Propose(RunKind.Reminders)).Problems[0].Field.ShouldBe("kind");
        _t.Books.Write(Anna, tx => RunDesk.Discard(tx, 1, "not needed"));
        Propose(RunKind.Reminders);
    }

    [Fact]
    public void A_run_into_a_closed_period_is_refused_before_anything_is_posted()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var run = Propose(RunKind.LateCharges);
        _t.Write(tx =>
        {
            var stored = CompanyStore.Get(tx.Connection);
            return CompanyStore.Change(tx, stored.Settings with { ClosedThrough = Today }, stored.Version, "closed");
        });
        Should
            .Throw<RefusedException>(() => _t.Books.Write(Anna, tx => RunDesk.Start(tx, run, send: false)))
            .Message.ShouldContain("closed through");
        Should
            .Throw<RefusedException>(() => Propose(RunKind.LateCharges, Today.AddDays(1)))
            .Problems[0]
            .Field.ShouldBe("date");
    }

    private RunScheduling Scheduling() => new(_t.Books, _desk, () => _t.Books.Read(c => BookLoader.Load(c)));

    private void Change(Func<CompanySettings, CompanySettings> change) =>
        _t.Write(tx =>
        {
            var stored = CompanyStore.Get(tx.Connection);
            return CompanyStore.Change(tx, change(stored.Settings), stored.Version, "changed by a test");
        });

    private void Set(params RunSchedule[] schedules) => Change(s => s with { RunSchedules = schedules });

    private void ItIs(DateOnly day) => Change(s => s with { PinnedBusinessDate = day });

    [Fact]
    public void A_schedule_proposes_its_run_once_a_day_and_posts_it_only_where_the_company_says_so()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        Scheduling().Look().ShouldBeEmpty();
        // The business date is a Monday.
        Set(
            new(RunKind.LateCharges, RunRhythm.Weekly, 2, Post: false, Send: false),
            new(RunKind.Reminders, RunRhythm.Weekly, 1, Post: false, Send: false)
        );
        var run = Scheduling().Look().ShouldHaveSingleItem();
        (Run(run).Kind, Run(run).State, Run(run).MadeBy).ShouldBe((RunKind.Reminders, RunState.Proposed, "schedule"));
        Scheduling().Look().ShouldBeEmpty();
        _t.Books.Read(RunPosting.AtWork).ShouldBeNull();
        // The next one takes its place where nobody took it up; the charges of Tuesday were missed meanwhile.
        ItIs(Today.AddDays(7));
        var made = Scheduling().Look();
        made.Select(r => Run(r).Kind).Order().ShouldBe([RunKind.LateCharges, RunKind.Reminders]);
        made.ShouldAllBe(r => Run(r).Date == Today.AddDays(7));
        Run(run).State.ShouldBe(RunState.Discarded);
        Set(new RunSchedule(RunKind.LateCharges, RunRhythm.Daily, 1, Post: true, Send: false));
        ItIs(Today.AddDays(8));
        var charges = Scheduling().Look().ShouldHaveSingleItem();
        _t.Books.Read(RunPosting.AtWork).ShouldBe(charges);
        while (_posting.Next(charges)) { }
        Line(charges).State.ShouldBe(RunLineState.Posted);
        _t.Off().ShouldBeEmpty();
    }

    /// <summary>
    /// Mondays of March 2026 are the 16th, 23rd and 30th. The program did not run from Tuesday the 17th to Wednesday
    /// 1 April: one run stands for both Mondays, and says since when it was due.
    /// </summary>
    [Fact]
    public void A_day_that_was_missed_is_caught_up_once_and_said()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        Set(new RunSchedule(RunKind.LateCharges, RunRhythm.Weekly, 1, Post: true, Send: false));
        var first = Scheduling().Look().ShouldHaveSingleItem();
        Run(first).Scope.ShouldBe("all accounts");
        while (_posting.Next(first)) { }
        ItIs(new(2026, 3, 28));
        // A Saturday: what was missed waits for a business day.
        Scheduling().Look().ShouldBeEmpty();
        ItIs(new(2026, 4, 1));
        var run = Run(Scheduling().Look().ShouldHaveSingleItem());
        (run.Date, run.Scope).ShouldBe((new DateOnly(2026, 4, 1), "all accounts; due since 23 Mar 2026, caught up"));
        run.State.ShouldBe(RunState.Posting);
        Scheduling().Look().ShouldBeEmpty();
        var schedule = _t.Books.Read(ScheduleStore.All).ShouldHaveSingleItem();
        schedule.ShouldBe(
            new(
                "run LateCharges Weekly 1",
                "Late charges, weekly on Monday",
                new(2026, 4, 1),
                new DateOnly(2026, 3, 23),
                new DateOnly(2026, 4, 1),
                ""
            )
        );
        // The next Monday, the 6th, is done on its day.
        ItIs(new(2026, 4, 6));
        Run(Scheduling().Look().ShouldHaveSingleItem()).Scope.ShouldBe("all accounts");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void One_that_was_interrupted_while_it_was_proposed_does_not_count_as_made()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        Set(new RunSchedule(RunKind.Reminders, RunRhythm.Daily, 1, Post: false, Send: false));
        var broken = new RunScheduling(_t.Books, _desk, () => throw new IOException("The disk went away."));
        Should.Throw<IOException>(() => broken.Look());
        _t.Books.Read(RunStore.Waiting).ShouldBeEmpty();
        Run(Scheduling().Look().ShouldHaveSingleItem()).State.ShouldBe(RunState.Proposed);
        Scheduling().Look().ShouldBeEmpty();
    }

    [Fact]
    public void One_that_cannot_be_proposed_says_why_until_it_can()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var waiting = Enumerable.Range(0, RunRule.MostWaiting).Select(_ => Propose(RunKind.LateCharges)).ToList();
        Set(new RunSchedule(RunKind.Reminders, RunRhythm.Daily, 1, Post: false, Send: false));
        Scheduling().Look().ShouldBeEmpty();
        string Trouble() => _t.Books.Read(ScheduleStore.All).ShouldHaveSingleItem().Trouble;
        Trouble().ShouldContain($"{RunRule.MostWaiting} runs wait already");
        _t.Books.Write(Anna, tx => RunDesk.Discard(tx, waiting[0], "made room"));
        Scheduling().Look().ShouldHaveSingleItem();
        Trouble().ShouldBe("");
        // One that is no schedule any more is forgotten.
        Set();
        Scheduling().Look().ShouldBeEmpty();
        _t.Books.Read(ScheduleStore.All).ShouldBeEmpty();
    }

    /// <summary>The letter was drawn before somebody changed the customer's address, its language and the letterhead.</summary>
    [Fact]
    public void A_letter_is_of_the_address_the_language_and_the_letterhead_of_the_moment_at_which_it_is_issued()
    {
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var run = Propose(RunKind.Reminders);
        var drawn = new List<ReminderLetter>();
        var changed = false;
        _posting = Posting(
            new ReminderDesk(
                _t.Ledgers,
                letter =>
                {
                    drawn.Add(letter);
                    if (!changed)
                    {
                        changed = true;
                        _t.Write(tx =>
                        {
                            tx.Connection.Execute(
                                "UPDATE account SET address = '3 Quay Street' || char(10) || 'Penzance'"
                            );
                            return true;
                        });
                        Change(s => s with { Address = ["1 Rope Walk", "Falmouth"] });
                    }

                    return LetterPdf.Render(letter);
                }
            )
        );
        Post(run);
        Line(run).State.ShouldBe(RunLineState.Posted);
        drawn.Count.ShouldBe(2);
        drawn[1].Number.ShouldBe(drawn[0].Number);
        drawn[1].To.Address.ShouldBe(["3 Quay Street", "Penzance"]);
        drawn[1].From.Address.ShouldBe(["1 Rope Walk", "Falmouth"]);
        var issued = _t.Books.Read(c => ReminderStore.LetterOf(c, Line(run).Document!));
        using var pdf = UglyToad.PdfPig.PdfDocument.Open(issued);
        pdf.GetPage(1).Text.ShouldContain("3 Quay Street");
        _t.Off().ShouldBeEmpty();
    }
}
