using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// Runs of late charges for one account. All values are worked by hand: 3,650.00 at 10 % act/365f bears 1.00 a day, due on 5
/// January 2026.
/// </summary>
public class ChargeRunTests
{
    private static readonly LateChargePolicy Ten = Given.Policy(10);
    private static readonly DateOnly Through = Given.Day("2026-01-25");

    private static Item Debt(long id = 1) => Given.Invoice($"INV-{id}", 3650, "2025-12-06", "2026-01-05", id);

    private static RunLine? Of(AccountLedger ledger, params RunChange[] changes) =>
        AccountRun.Of(RunKind.LateCharges, ledger, Through, RunChanges.Of(changes), Given.Rules(Through));

    private static RunChange Change(RunChangeKind kind, long? item = null, decimal? amount = null) =>
        new(kind, item, amount is { } a ? Given.Pounds(a) : null, null, "because");

    [Fact]
    public void Each_item_has_a_line_and_the_account_their_sum()
    {
        var line = Of(Given.Ledger(Ten, Debt(), Debt(2)))!;
        line.Items.Select(i => $"{i.Item} {i.Amount}").ShouldBe(["1 20.00", "2 20.00"]);
        line.Amount.ToString().ShouldBe("40.00");
        line.LeftOut.ShouldBeNull();
    }

    [Fact]
    public void The_tax_of_the_policy_is_part_of_every_figure()
    {
        var tax = new TaxCode { Rates = [new(new(2000, 1, 1), 20, [new("State", 20)])] };
        var line = Of(Given.Ledger(Ten, Debt(), Debt(2)) with { ChargeTax = tax })!;
        line.Items.Select(i => $"{i.Amount}").ShouldBe(["24.00", "24.00"]);
        (line.Amount.Amount, line.Tax.Amount).ShouldBe((48m, 8m));
    }

    [Fact]
    public void What_a_person_leaves_out_accrues_on_and_what_is_cut_is_never_charged()
    {
        var line = Of(
            Given.Ledger(Ten, Debt(), Debt(2)),
            Change(RunChangeKind.LeaveOutItem, 1),
            Change(RunChangeKind.CutItem, 2, 12)
        )!;
        line.Items.Select(i => $"{i.Item} {i.Amount}").ShouldBe(["2 12.00"]);
        line.ItemsLeftOut.Select(i => $"{i.Item} {i.Amount} {i.Reason}").ShouldBe(["1 20.00 left out"]);

        RaisedLine Raised(decimal amount, Money? cut) =>
            new(7, Through, Through, Given.Pounds(amount), Ten, false, cut);
        var later = Through.AddDays(10);
        // Five days later the cut stays, and only the new days are charged.
        var cut = Debt() with
        {
            Raised = [Raised(12, Given.Pounds(12))],
        };
        var next = Given.Charge(cut, Ten, later);
        (next.Interest.Amount, next.Correction.Amount).ShouldBe((10m, 0m));
        // A receipt of before turns up: what was charged would have been less than what it was cut to.
        var paid = cut with
        {
            Movements =
            [
                .. cut.Movements,
                new(MovementKind.Cash, Given.Day("2026-01-13"), Given.Pounds(-3650), later, 9),
            ],
        };
        var corrected = Given.Charge(paid, Ten, later);
        (corrected.Interest.Amount, corrected.Correction.Amount).ShouldBe((0m, -4m));
    }

    [Fact]
    public void A_cut_takes_the_interest_first_and_leaves_the_fixed_sum()
    {
        var policy = Ten with { Compensation = [new(0, 40)] };
        var line = Of(Given.Ledger(policy, Debt()), Change(RunChangeKind.CutItem, 1, 45))!;
        line.Amount.ToString().ShouldBe("45.00");
        var charge = Given.Charge(Debt(), policy, Through).CutTo(Given.Pounds(45));
        (charge.Compensation.Amount, charge.Interest.Amount).ShouldBe((40m, 5m));
        // Waived whole, the fixed sum is not charged by the next run either.
        var waived = Debt() with
        {
            Raised = [new(7, Through, Through, Given.Pounds(0), policy, false, Given.Pounds(0))],
        };
        var next = Given.Charge(waived, policy, Through.AddDays(3));
        (next.Interest.Amount, next.Compensation.Amount, next.Correction.Amount).ShouldBe((3m, 0m, 0m));
    }

    [Fact]
    public void Accounts_with_nothing_overdue_are_no_part_of_it_and_others_say_why_they_are_left_out()
    {
        Of(Given.Ledger(Ten, Debt() with { Due = Through })).ShouldBeNull();
        Of(Given.Ledger(null, Debt() with { Due = Through })).ShouldBeNull();
        Of(Given.Ledger(null, Debt()))!.LeftOut.ShouldBe("The account has no late-charge policy.");
        var shown = Of(Given.Ledger(Ten with { ShownOnly = true }, Debt()))!;
        shown.LeftOut.ShouldBe("The policy's charges are shown only and never posted.");
        shown.Amount.ToString().ShouldBe("20.00");
        var ledger = Given.Ledger(Ten, Debt());
        var handed = ledger with
        {
            Book = ledger.Book with
            {
                Collection = [new(1, Given.Day("2026-01-10"), CollectionKind.Legal, "Brine & Co")],
            },
        };
        Of(handed)!.LeftOut.ShouldBe("The account was handed to Brine & Co on 10 Jan 2026.");
        Of(Given.Ledger(Ten, Debt()), Change(RunChangeKind.LeaveOut))!.LeftOut.ShouldBe("because");
        Of(Given.Ledger(Ten, Debt()), Change(RunChangeKind.LeaveOut), Change(RunChangeKind.PutBack))!
            .LeftOut.ShouldBeNull();
    }

    [Fact]
    public void An_item_that_is_disputed_is_told_where_the_policy_holds_it()
    {
        var dispute = new ItemDispute(Given.Pounds(3650), Given.Day("2026-01-06"), null);
        var ledger = Given.Ledger(
            Ten with
            {
                WhileDisputed = WhileDisputed.Held,
            },
            Debt() with
            {
                Disputes = [dispute],
            }
        );
        var line = Of(ledger)!;
        line.LeftOut.ShouldBe("All that could be charged is left out.");
        line.ItemsLeftOut.Select(i => $"{i.Item} {i.Amount} {i.Reason}").ShouldBe(["1 3650.00 disputed"]);
    }

    [Fact]
    public void A_run_through_a_day_to_come_is_refused() =>
        Should
            .Throw<RefusedException>(() =>
                AccountRun.Of(
                    RunKind.LateCharges,
                    Given.Ledger(Ten, Debt()),
                    Through.AddDays(1),
                    RunChanges.None,
                    Given.Rules(Through)
                )
            )
            .Problems[0]
            .Field.ShouldBe("date");

    [Fact]
    public void Cutting_is_measured_by_the_authority_to_write_off()
    {
        var ledger = Given.Ledger(Ten, Debt());
        void Decide(decimal amount, decimal? most) =>
            RunChangeDecision.RefuseUnlessPossible(
                RunKind.LateCharges,
                Through,
                RunLineState.Ready,
                Of(ledger)!,
                ledger,
                RunChanges.None,
                Change(RunChangeKind.CutItem, 1, amount),
                Authority.None with
                {
                    WriteOff = most,
                },
                Given.Rules(Through)
            );
        Decide(15, 5);
        Decide(0, null);
        Should.Throw<RefusedException>(() => Decide(14.99m, 5)).Problems[0].Field.ShouldBe("amount");
        Should
            .Throw<RefusedException>(() => Decide(20, null))
            .Message.ShouldStartWith("Cut the charge to less than 20.00");
    }
}
