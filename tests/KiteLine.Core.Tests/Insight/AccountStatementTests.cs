using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Statements of account; all figures are worked by hand.</summary>
public class AccountStatementTests
{
    private static DateOnly Day(int month, int day) => new(2026, month, day);

    private static Movement Move(MovementKind kind, DateOnly on, decimal amount, long entry, DateOnly? posted = null) =>
        new(kind, on, Given.Pounds(amount), posted ?? on, entry);

    private static Item Item(long id, string document, ItemKind kind, DateOnly date, params Movement[] movements) =>
        new()
        {
            Id = id,
            Document = document,
            Kind = kind,
            Date = date,
            Due = kind == ItemKind.Invoice ? date.AddDays(30) : date,
            Movements = movements,
        };

    // An invoice of January is paid in February with 2 % taken off; one of February stays; a receipt of March bounced.
    private static readonly Item[] Items =
    [
        Item(
            1,
            "INV-1",
            ItemKind.Invoice,
            Day(1, 10),
            Move(MovementKind.Opened, Day(1, 10), 1000, 1),
            Move(MovementKind.Cash, Day(2, 5), -980, 3),
            Move(MovementKind.Discount, Day(2, 5), -20, 3)
        ),
        Item(
            2,
            "RCT-1",
            ItemKind.Receipt,
            Day(2, 5),
            Move(MovementKind.Opened, Day(2, 5), -1000, 3),
            Move(MovementKind.Cash, Day(2, 5), 980, 3)
        ),
        Item(3, "INV-2", ItemKind.Invoice, Day(2, 20), Move(MovementKind.Opened, Day(2, 20), 500, 4)),
        Item(
            4,
            "RCT-2",
            ItemKind.Receipt,
            Day(3, 2),
            Move(MovementKind.Opened, Day(3, 2), -500, 5),
            Move(MovementKind.Opened, Day(3, 2), 500, 6, Day(3, 9))
        ),
    ];

    private static AccountStatement Of(DateOnly from, DateOnly to) =>
        AccountStatement.Of(Items, Given.Gbp, from, to, AgeingBuckets.Default);

    private static string[] Lines(AccountStatement s) =>
        [.. s.Lines.Select(l => $"{l.Date:MM-dd} {l.Document} {l.Kind} {l.Debit} {l.Credit} {l.Balance}")];

    [Fact]
    public void It_goes_from_what_was_owed_to_what_is_owed_line_by_line()
    {
        var s = Of(Day(2, 1), Day(2, 28));
        s.Opening.ShouldBe(Given.Pounds(1000));
        Lines(s)
            .ShouldBe([
                "02-05 INV-1 Discount 0.00 20.00 980.00",
                "02-05 RCT-1 Receipt 0.00 1000.00 -20.00",
                "02-20 INV-2 Invoice 500.00 0.00 480.00",
            ]);
        (s.Debits, s.Credits, s.Closing).ShouldBe((Given.Pounds(500), Given.Pounds(1020), Given.Pounds(480)));
        s.Open.Select(i => $"{i.Document} {i.Open}").ShouldBe(["RCT-1 -20.00", "INV-2 500.00"]);
        // Of the 480.00 nothing is due yet: the credit is taken off what is due, of which there is none.
        s.Due.ShouldBe(Given.Pounds(0));
        s.Ageing.Select(a => $"{a}").ShouldBe(["500.00", "-20.00", "0.00", "0.00", "0.00"]);
    }

    // By value a receipt that was taken back is as if it had never been; the lines still tell both.
    [Fact]
    public void What_was_taken_back_stands_in_it_with_what_it_took_back_on_its_value_date()
    {
        var s = Of(Day(3, 1), Day(3, 5));
        Lines(s).ShouldBe(["03-02 RCT-2 Receipt 0.00 500.00 -20.00", "03-02 RCT-2 Reversal 500.00 0.00 480.00"]);
        s.Closing.ShouldBe(Given.Pounds(480));
        Of(Day(4, 1), Day(4, 30)).Due.ShouldBe(Given.Pounds(480));
    }

    [Fact]
    public void A_day_on_which_nothing_moved_has_its_balance_alone()
    {
        var s = Of(Day(1, 11), Day(1, 11));
        (s.Opening, s.Closing, s.Lines.Count).ShouldBe((Given.Pounds(1000), Given.Pounds(1000), 0));
        Of(Day(1, 1), Day(1, 9))
            .ShouldSatisfyAllConditions(e => e.Opening.ShouldBe(Given.Pounds(0)), e => e.Open.ShouldBeEmpty());
        Should.Throw<RefusedException>(() => Of(Day(2, 2), Day(2, 1))).Problems[0].Field.ShouldBe("to");
    }

    [Fact]
    public void Money_that_went_to_another_account_is_told()
    {
        var s = AccountStatement.Of(
            [
                Item(
                    1,
                    "RCT-9",
                    ItemKind.Receipt,
                    Day(2, 5),
                    Move(MovementKind.Opened, Day(2, 5), -100, 1),
                    Move(MovementKind.Cash, Day(2, 7), 100, 2)
                ),
            ],
            Given.Gbp,
            Day(2, 1),
            Day(2, 28),
            AgeingBuckets.Default
        );
        Lines(s).ShouldBe(["02-05 RCT-9 Receipt 0.00 100.00 -100.00", "02-07 RCT-9 Moved 100.00 0.00 0.00"]);
    }

    /// <summary>An item that is due on the last day is due, in one place alone: 100.00 due, 300.00 not, 400.00 in all.</summary>
    [Fact]
    public void What_is_due_and_what_is_not_are_the_closing_balance_together()
    {
        Item Due(int id, int day, decimal amount) =>
            Item(id, $"INV-{id}", ItemKind.Invoice, Day(3, 1), Move(MovementKind.Opened, Day(3, 1), amount, id)) with
            {
                Due = Day(3, day),
            };
        var s = AccountStatement.Of(
            [Due(1, 16, 100), Due(2, 17, 300)],
            Given.Gbp,
            Day(3, 1),
            Day(3, 16),
            AgeingBuckets.Default
        );
        (s.Due, s.DueBy, s.NotDue, s.Closing).ShouldBe(
            (Given.Pounds(100), Given.Pounds(100), Given.Pounds(300), Given.Pounds(400))
        );
        // A credit of 150.00 that is due leaves nothing to pay; the parts still add up.
        var credited = AccountStatement.Of(
            [Due(1, 16, 100), Due(2, 17, 300), Due(3, 10, -150)],
            Given.Gbp,
            Day(3, 1),
            Day(3, 16),
            AgeingBuckets.Default
        );
        (credited.Due, credited.DueBy, credited.NotDue, credited.Closing).ShouldBe(
            (Given.Pounds(0), Given.Pounds(-50), Given.Pounds(300), Given.Pounds(250))
        );
    }

    [Fact]
    public void A_late_charge_has_the_name_that_its_policy_prints()
    {
        var charge = Item(5, "LCH-1", ItemKind.LateCharge, Day(3, 5), Move(MovementKind.Opened, Day(3, 5), 9.86m, 7));
        var invoice = Items[2] with
        {
            Raised =
            [
                new(
                    7,
                    Day(3, 5),
                    Day(3, 5),
                    Given.Pounds(9.86m),
                    Given.Policy() with
                    {
                        Label = "Interest on arrears",
                    }
                ),
            ],
        };
        AccountStatement
            .Of([invoice, charge], Given.Gbp, Day(3, 1), Day(3, 16), AgeingBuckets.Default)
            .Lines.Select(PrintedStatement.Words)
            .ShouldBe(["Interest on arrears"]);
    }
}
