using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class PostingTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    [Fact]
    public void An_invoice_debits_the_customer_and_credits_sales_and_tax()
    {
        var posting = InvoicePosting.Invoice(
            "INV-1",
            Today,
            Given.Amounts(1000, 200),
            Shorthand.Read("40% now, rest 20"),
            Given.Rules(Today)
        );
        posting
            .Lines.Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["Receivables 1200.00", "Sales -1000.00", "OutputTax -200.00"]);
        posting
            .Documents[0]
            .Items.Select(i => $"{i.Instalment} {i.Movements[0].Amount}")
            .ShouldBe(["1 480.00", "2 720.00"]);
    }

    [Fact]
    public void A_credit_note_is_the_other_way_round_and_can_be_used_at_once()
    {
        var posting = InvoicePosting.CreditNote("CRN-1", Today, Given.Amounts(100, 20), Today);
        posting.Lines.Sum(l => l.Amount.Minor).ShouldBe(0);
        var item = posting.Documents[0].Items.ShouldHaveSingleItem();
        item.Due.ShouldBe(Today);
        item.Movements[0].Amount.ToString().ShouldBe("-120.00");
    }

    [Fact]
    public void A_late_charge_is_one_document_of_the_sum_of_its_items()
    {
        var items = new[]
        {
            Given.Invoice("INV-1", 1000, "2026-01-01", "2026-01-31", 1),
            Given.Invoice("INV-2", 500, "2026-01-01", "2026-02-28", 2),
        };
        var charges = items.Select(i => Given.Charge(i, Given.Policy(12), Today)).ToArray();
        var posting = LateChargePosting.Of(charges, Given.Policy(12), null, Given.Rules(Today));
        posting.Documents.ShouldHaveSingleItem().Net.ShouldBe(charges[0].Total + charges[1].Total);
        posting.Lines.Select(l => l.Purpose).ShouldBe([PostingPurpose.Receivables, PostingPurpose.LateChargeIncome]);
        Should.Throw<ArgumentException>(() => LateChargePosting.Of([], Given.Policy(12), null, Given.Rules(Today)));
    }

    [Fact]
    public void A_reminder_fee_falls_due_on_the_letters_pay_by_date()
    {
        var posting = ReminderFeePosting.Of(Given.Pounds(12), 2, Today, Today.AddDays(7), Given.Rules(Today));
        posting.Documents[0].Items[0].Due.ShouldBe(Today.AddDays(7));
        posting.Lines[1].Purpose.ShouldBe(PostingPurpose.FeeIncome);
    }

    [Fact]
    public void A_reversal_undoes_every_line_and_movement_on_its_own_value_date() =>
        Gen.Select(Gen.Int[1, 50_000], Gen.Int[0, 60])
            .Sample(
                (cash, late) =>
                {
                    var item = Given.Invoice("INV-1", 400, "2026-01-01", "2026-01-31");
                    var payment = Payment.Of(
                        Money.FromMinor(cash, Given.Gbp),
                        Given.Pounds(0),
                        Today.AddDays(-late),
                        [new(item)],
                        new(5, 1),
                        RoundingRule.HalfAwayFromZero
                    );
                    var original = ReceiptPosting.Of(
                        payment,
                        ReceiptOrigin.ByHand("", null, Today),
                        (_, d) => Money.Zero(d.Currency),
                        Given.Rules(Today)
                    );
                    var debit = original.Allocations.SelectMany(a => a.OfDebit()).ToArray();
                    var credit = original
                        .Documents[0]
                        .Items[0]
                        .Movements.Concat(original.Allocations.SelectMany(a => a.OfCredit()));
                    var reversal = ReversalPosting.Of(
                        original.Lines,
                        [
                            .. debit.Select(m => new PostedMovement(1, m)),
                            .. credit.Select(m => new PostedMovement(99, m)),
                        ],
                        "bounced",
                        Given.Rules(Today)
                    );
                    (original.Lines.Sum(l => l.Amount.Minor) + reversal.Lines.Sum(l => l.Amount.Minor)).ShouldBe(0);
                    foreach (var kind in Enum.GetValues<MovementKind>())
                        original
                            .AllMovements.Concat(reversal.AllMovements)
                            .Where(m => m.Kind == kind)
                            .Sum(m => m.Amount.Minor)
                            .ShouldBe(0);
                    var restored = item with
                    {
                        Movements =
                        [
                            .. item.Movements,
                            .. debit,
                            .. reversal.Movements.Where(m => m.ItemId == 1).Select(m => m.Movement),
                        ],
                    };
                    restored.OpenByValue(Today).ShouldBe(item.OpenByValue(Today));
                    restored
                        .DiscountsLeft(Today, RoundingRule.HalfAwayFromZero)
                        .ShouldBe(item.DiscountsLeft(Today, RoundingRule.HalfAwayFromZero));
                }
            );

    [Fact]
    public void A_posting_that_does_not_balance_cannot_be_made()
    {
        var posting = new Posting
        {
            Kind = PostingKind.Invoice,
            PostingDate = Today,
            Text = "wrong",
            Lines = [new(PostingPurpose.Sales, Given.Pounds(1))],
        };
        Should.Throw<InvalidOperationException>(posting.Checked).Message.ShouldContain("does not balance");
        var unequal = posting with
        {
            Lines = [new(PostingPurpose.Receivables, Given.Pounds(1)), new(PostingPurpose.Sales, Given.Pounds(-1))],
        };
        Should.Throw<InvalidOperationException>(unequal.Checked).Message.ShouldContain("movements");
    }
}
