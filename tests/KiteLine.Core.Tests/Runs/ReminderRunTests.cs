using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Runs of reminders for one account: what holds a letter back, and what a person decides otherwise.</summary>
public class ReminderRunTests
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
                LeastOverdue = 100,
                Texts = [new("", "First")],
            },
            new()
            {
                DaysAfterDue = 14,
                DaysSincePrevious = 10,
                LeastOverdue = 100,
                Fee = new ReminderFee.PerLetter(10),
                FeeTreatment = Treatment.Post,
                Texts = [new("", "Second")],
            },
        ],
    };

    private static Item Late(decimal amount = 300, long id = 1, string due = "2026-02-14") =>
        Given.Invoice($"INV-{id}", amount, "2026-01-15", due, id);

    private static AccountLedger Ledger(params Item[] items) => Given.Ledger(null, items) with { Plan = Plan };

    private static AccountLedger With(AccountLedger ledger, Func<BookAccount, BookAccount> change) =>
        ledger with
        {
            Book = change(ledger.Book),
        };

    private static RunLine? Of(AccountLedger ledger, params RunChange[] changes) =>
        AccountRun.Of(RunKind.Reminders, ledger, Today, RunChanges.Of(changes), Given.Rules(Today));

    private static RunChange Change(RunChangeKind kind, long? item = null, int? level = null) =>
        new(kind, item, null, level, "because");

    private static AccountLedger Paused(AccountLedger ledger, string until, string? ended = null) =>
        With(
            ledger,
            b =>
                b with
                {
                    Pauses =
                    [
                        new(
                            1,
                            Given.Day("2026-03-02"),
                            Given.Day(until),
                            "audit",
                            ended is null ? null : Given.Day(ended)
                        ),
                    ],
                }
        );

    [Fact]
    public void A_pause_holds_letters_up_to_the_day_before_it_ends()
    {
        var held = Of(Paused(Ledger(Late()), "2026-03-17"))!;
        held.LeftOut.ShouldBe("Reminders are paused until 17 Mar 2026: audit");
        (held.CanTakeIn, held.Amount.Amount).ShouldBe((true, 300m));
        Of(Paused(Ledger(Late()), "2026-03-16"))!.Level.ShouldBe(1);
        Of(Paused(Ledger(Late()), "2026-03-20", ended: "2026-03-16"))!.Level.ShouldBe(1);
        Of(Paused(Ledger(Late()), "2026-03-20"), Change(RunChangeKind.TakeIn))!.Level.ShouldBe(1);
    }

    [Fact]
    public void Taken_in_a_letter_goes_out_below_the_least_amount_and_before_its_wait_is_over()
    {
        var little = Ledger(Late(60));
        Of(little)!.LeftOut.ShouldBe("60.00 overdue is below the minimum of 100 for level 1.");
        Of(little, Change(RunChangeKind.TakeIn))!.Amount.ToString().ShouldBe("60.00");
        var early = Ledger(Late(300, 1, "2026-03-13"));
        Of(early)!.LeftOut.ShouldBe("The next level is reached on 20 Mar 2026.");
        Of(early, Change(RunChangeKind.TakeIn))!.Level.ShouldBe(1);
    }

    [Fact]
    public void An_account_with_others_gets_no_letter_and_cannot_be_taken_in()
    {
        var handed = With(
            Ledger(Late()),
            b => b with { Collection = [new(1, Given.Day("2026-03-01"), CollectionKind.Agency, "Keel Recoveries")] }
        );
        var line = Of(handed, Change(RunChangeKind.TakeIn))!;
        (line.LeftOut, line.CanTakeIn).ShouldBe(("The account was handed to Keel Recoveries on 1 Mar 2026.", false));
        var back = With(handed, b => b with { Collection = [b.Collection[0] with { TakenBackOn = Today }] });
        Of(back)!.Level.ShouldBe(1);
    }

    [Fact]
    public void A_chosen_level_moves_the_items_there_with_its_fee()
    {
        var line = Of(Ledger(Late()), Change(RunChangeKind.SetLevel, level: 2))!;
        (line.Level, line.Fee.Amount, line.Amount.Amount).ShouldBe((2, 10m, 310m));
        line.Items.Select(i => (i.Level, i.Moves)).ShouldBe([(2, true)]);
    }

    [Fact]
    public void An_item_left_out_is_neither_asked_for_nor_moved()
    {
        var line = Of(Ledger(Late(), Late(200, 2)), Change(RunChangeKind.LeaveOutItem, 1))!;
        line.Items.Select(i => i.Item).ShouldBe([2]);
        line.ItemsLeftOut.Select(i => $"{i.Item} {i.Amount} {i.Reason}").ShouldBe(["1 300.00 left out"]);
        var none = Of(Ledger(Late()), Change(RunChangeKind.LeaveOutItem, 1))!;
        none.LeftOut.ShouldBe("All that is overdue is disputed or left out.");
    }

    [Fact]
    public void Only_what_can_be_taken_in_is()
    {
        void Decide(RunLine line, RunChange change, RunKind kind = RunKind.Reminders) =>
            RunChangeDecision.RefuseUnlessPossible(
                kind,
                Today,
                line.LeftOut is null ? RunLineState.Ready : RunLineState.LeftOut,
                line,
                Ledger(Late()),
                RunChanges.None,
                change,
                Authority.Unbounded,
                Given.Rules(Today)
            );
        var ready = Of(Ledger(Late()))!;
        Should.Throw<RefusedException>(() => Decide(ready, Change(RunChangeKind.TakeIn)));
        Decide(Of(Ledger(Late(60)))!, Change(RunChangeKind.TakeIn));
        Should
            .Throw<RefusedException>(() => Decide(ready, Change(RunChangeKind.SetLevel, level: 3)))
            .Problems[0]
            .Field.ShouldBe("level");
        Should
            .Throw<RefusedException>(() => Decide(ready, Change(RunChangeKind.LeaveOutItem, 9)))
            .Problems[0]
            .Field.ShouldBe("item");
        Should
            .Throw<RefusedException>(() => Decide(ready, Change(RunChangeKind.LeaveOut) with { Reason = " " }))
            .Problems[0]
            .Field.ShouldBe("reason");
        Should.Throw<RefusedException>(() => Decide(ready, Change(RunChangeKind.PutBack)));
        Should.Throw<RefusedException>(() => Decide(ready, Change(RunChangeKind.CutItem, 1)));
    }

    [Fact]
    public void A_run_goes_forward_and_what_was_posted_is_taken_back()
    {
        RunRule.May(RunState.Proposed, RunAct.Post).ShouldBeTrue();
        RunRule.May(RunState.Posting, RunAct.Change).ShouldBeFalse();
        RunRule.May(RunState.Posting, RunAct.Stop).ShouldBeTrue();
        RunRule.May(RunState.Posted, RunAct.Discard).ShouldBeFalse();
        RunRule.May(RunState.Discarded, RunAct.Post).ShouldBeFalse();
        Should
            .Throw<RefusedException>(() => RunRule.RefuseUnless(RunState.Posted, RunAct.Discard))
            .Message.ShouldBe("The run is posted; only a run of which nothing was posted is discarded.");
    }
}
