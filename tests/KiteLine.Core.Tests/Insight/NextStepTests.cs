using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// What an account says of its late charges: 1,000 due on 9 February at 8 % of 365 days. Worked by hand: 20 days are 4.38, 10
/// days 2.19, 15 more days 3.29.
/// </summary>
public sealed class NextStepTests
{
    private static readonly DateOnly Today = Given.Day("2026-03-16");

    private static string[] Of(params Item[] items)
    {
        var ledger = Given.Ledger(Given.Policy(8), items);
        var position = AccountPosition.On(ledger.Book, Today, Given.Positions(null));
        return
        [
            .. NextStep
                .Of(ledger, position, new(), Given.Rules(Today))
                .Select(s => s.Text)
                .Where(t => t.StartsWith("Late", StringComparison.Ordinal)),
        ];
    }

    private static Item Charged(params Movement[] later) =>
        Given.Invoice("INV-1", 1000, "2026-01-10", "2026-02-09", 1, null, later) with
        {
            Raised = [new(7, Given.Day("2026-03-01"), Given.Day("2026-03-01"), Given.Pounds(4.38m), Given.Policy(8))],
        };

    private static Movement Paid(string day, string posted, decimal amount) =>
        new(MovementKind.Cash, Given.Day(day), Given.Pounds(-amount), Given.Day(posted), 9);

    [Fact]
    public void What_has_grown_since_the_last_run_is_accrued() =>
        Of(Charged()).ShouldBe(["Late charge of 3.29 accrued and not raised"]);

    [Fact]
    public void A_payment_that_proves_to_be_older_than_its_charge_is_put_right_by_the_next_run() =>
        Of(Charged(Paid("2026-02-19", "2026-03-16", 1000)))
            .ShouldBe([
                "Late charge of 2.19 was raised for days that prove to have been paid; the next run takes it back",
            ]);

    [Fact]
    public void A_part_of_it_leaves_both_to_be_said()
    {
        // Half was paid ten days in: 2.1918 and 1.0959 make 3.29 where 4.38 were charged; half of 3.2877 since.
        Of(Charged(Paid("2026-02-19", "2026-03-16", 500)))
            .ShouldBe([
                "Late charge of 1.64 accrued and not raised",
                "Late charge of 1.09 was raised for days that prove to have been paid; the next run takes it back",
            ]);
    }

    [Fact]
    public void A_receipt_that_bounced_after_the_charge_leaves_days_to_be_added()
    {
        // Charged 2.19 for ten days, as if it had been paid on the 19th; that receipt is taken back.
        var item = Charged(
            Paid("2026-02-19", "2026-02-19", 1000),
            new(MovementKind.Cash, Given.Day("2026-02-19"), Given.Pounds(1000), Given.Day("2026-03-10"), 10)
        ) with
        {
            Raised = [new(7, Given.Day("2026-03-01"), Given.Day("2026-03-01"), Given.Pounds(2.19m), Given.Policy(8))],
        };
        Of(item)
            .ShouldBe([
                "Late charge of 3.29 accrued and not raised",
                "Late charge of 2.19 is missing for days that prove to have been unpaid; the next run adds it",
            ]);
    }
}
