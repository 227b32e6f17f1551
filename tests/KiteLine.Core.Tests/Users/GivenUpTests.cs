using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>What reversing a posting gives up, and the authority that it takes.</summary>
public sealed class GivenUpTests
{
    private static readonly BooksRules Rules = Given.Rules(new(2026, 3, 16));

    private static JournalLine[] Lines(params (PostingPurpose Purpose, decimal Amount)[] lines) =>
        [.. lines.Select(l => new JournalLine(l.Purpose, Given.Pounds(l.Amount)))];

    private static decimal Of(PostingKind kind, params (PostingPurpose, decimal)[] lines)
    {
        var posted = Lines(lines);
        var given = GivenUp.Of(kind, posted, Given.Gbp, reversed: false);
        var back = posted.Select(l => l with { Amount = -l.Amount });
        GivenUp.Of(kind, back, Given.Gbp, reversed: true).ShouldBe(given);
        return given.Amount;
    }

    [Fact]
    public void It_is_what_the_customer_owes_less()
    {
        Of(
                PostingKind.Invoice,
                (PostingPurpose.Receivables, 120),
                (PostingPurpose.Sales, -100),
                (PostingPurpose.OutputTax, -20)
            )
            .ShouldBe(120);
        Of(PostingKind.LateCharge, (PostingPurpose.Receivables, 8), (PostingPurpose.LateChargeIncome, -8)).ShouldBe(8);
        // A discount that was undone is given again.
        Of(PostingKind.Correction, (PostingPurpose.Receivables, 20), (PostingPurpose.DiscountsAllowed, -20))
            .ShouldBe(20);
        // What made the customer owe less gives up nothing when it is reversed.
        Of(
                PostingKind.Receipt,
                (PostingPurpose.Bank, 98),
                (PostingPurpose.DiscountsAllowed, 2),
                (PostingPurpose.Receivables, -100)
            )
            .ShouldBe(0);
        Of(PostingKind.WriteOff, (PostingPurpose.SmallDifferences, 5), (PostingPurpose.Receivables, -5)).ShouldBe(0);
        // Money that was paid back is a credit of the customer's again, as it was before.
        Of(PostingKind.Refund, (PostingPurpose.CashOnAccount, 50), (PostingPurpose.RefundsInTransit, -50)).ShouldBe(0);
    }

    [Fact]
    public void It_is_measured_by_the_authority_to_write_off_with_what_went_before()
    {
        static void Back(decimal amount, decimal before, decimal? most) =>
            GivenUp.RefuseBeyond(
                [Given.Pounds(amount)],
                before == 0 ? [] : [Given.Pounds(before)],
                "entry",
                new(0, 0, 0, most),
                Rules
            );
        Back(50, 0, 50);
        Back(0, 100, 0);
        Back(1_000_000, 0, null);
        Should
            .Throw<RefusedException>(() => Back(50, 0, 49.99m))
            .Message.ShouldBe(
                "Reversing this gives up 50.00 GBP, which lies above your authority to write off; ask somebody with more."
            );
        Back(20, 30, 50);
        Should
            .Throw<RefusedException>(() => Back(20.01m, 30, 50))
            .Message.ShouldContain("20.01 GBP, 50.01 GBP with what was reversed within a month");
        Should.Throw<RefusedException>(() => Back(0.01m, 0, 0));
    }
}
