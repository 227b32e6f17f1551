using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Cases in which two ways to the same payment once parted; all values worked by hand.</summary>
public sealed class OneSettlementTests
{
    private static readonly ShortPayAllowance None = ShortPayAllowance.None;
    private static readonly Item A = Given.Invoice(
        "INV-1",
        1000,
        "2026-03-02",
        "2026-04-01",
        1,
        [Given.Discount("2026-03-12", 20)]
    );
    private static readonly Item B = Given.Invoice("INV-2", 500, "2026-03-02", "2026-04-02", 2);

    private static Payment Pay(decimal cash, string day, bool filled, params ChosenItem[] chosen) =>
        Payment.Of(
            Given.Pounds(cash),
            Given.Pounds(0),
            Given.Day(day),
            chosen,
            None,
            RoundingRule.HalfAwayFromZero,
            filled
        );

    private static string Told(Payment p) =>
        string.Join(
            " | ",
            p.Lines.Select(l =>
                $"{l.Settlement.Cash} {l.Settlement.Discount} {l.Settlement.WriteOff} {l.Settlement.StaysOpen}"
            )
        ) + (p.OnAccount.IsZero ? "" : $" + {p.OnAccount}");

    /// <summary>Nobody deducted the discount: it is offered, and granting it changes the first line alone.</summary>
    [Fact]
    public void A_payment_that_covers_the_first_item_in_full_takes_no_discount_whoever_chooses()
    {
        Told(Pay(1100, "2026-03-10", filled: true, new(A), new(B)))
            .ShouldBe("1000.00 0.00 0.00 0.00 | 100.00 0.00 0.00 400.00");
        var byHand = Pay(1100, "2026-03-10", filled: false, new(A), new(B));
        Told(byHand).ShouldBe("1000.00 0.00 0.00 0.00 | 100.00 0.00 0.00 400.00");
        byHand.Lines[0].Settlement.Findings.ShouldHaveSingleItem().Code.ShouldBe("discount-not-taken");
        Told(Pay(1100, "2026-03-10", filled: false, new(A), new(B, new(Dispute: true)))).ShouldBe(Told(byHand));
        Told(Pay(1100, "2026-03-10", filled: false, new(A, new(DiscountChoice.Grant)), new(B)))
            .ShouldBe("980.00 20.00 0.00 0.00 | 100.00 0.00 0.00 400.00 + 20.00");
        Told(Pay(1100, "2026-03-10", filled: false, new(A), new(B, new(WriteOff: WriteOffChoice.Whole))))
            .ShouldBe("1000.00 0.00 0.00 0.00 | 100.00 0.00 400.00 0.00");
    }

    /// <summary>1,480 of 1,500: the customer took the 20 late. Granted, everything matches.</summary>
    [Fact]
    public void Items_that_match_with_what_was_granted_are_settled_so()
    {
        Told(Pay(1480, "2026-03-20", filled: false, new(A), new(B)))
            .ShouldBe("1000.00 0.00 0.00 0.00 | 480.00 0.00 0.00 20.00");
        Told(Pay(1480, "2026-03-20", filled: false, new(A, new(DiscountChoice.Grant)), new(B)))
            .ShouldBe("980.00 20.00 0.00 0.00 | 500.00 0.00 0.00 0.00");
        // 1,470 of 1,500: both discounts were taken late. One is granted; the other stays open.
        var late = B with
        {
            Discounts = [Given.Discount("2026-03-12", 10)],
        };
        var one = Pay(1470, "2026-03-20", filled: false, new(A, new(DiscountChoice.Grant)), new(late));
        Told(one).ShouldBe("980.00 20.00 0.00 0.00 | 490.00 0.00 0.00 10.00");
        one.Lines[1].Settlement.Findings.ShouldHaveSingleItem().Code.ShouldBe("discount-unearned");
    }

    [Fact]
    public void A_part_payment_earns_its_share_as_it_is_proposed_too()
    {
        var item = A with { PartPayments = true };
        var proposal = AllocationProposal.Of(
            Given.Pounds(490),
            "part of INV-1",
            [new("1", "INV-1", item.Due, item.NeedOn(Given.Day("2026-03-10"), RoundingRule.HalfAwayFromZero))],
            None,
            RoundingRule.HalfAwayFromZero
        );
        var s = proposal.Lines.ShouldHaveSingleItem().Settlement;
        $"{s.Cash} {s.Discount} {s.StaysOpen}".ShouldBe("490.00 10.00 500.00");
        Told(Pay(490, "2026-03-10", filled: false, new ChosenItem(item))).ShouldBe("490.00 10.00 0.00 500.00");
    }

    /// <summary>
    /// 1,000.00 at 2/3 of 2 March, a credit of 500.00 on the 6th, and 980.00 with value on the 5th that come in after it:
    /// the 500.00 that are open are settled with 480.00 and 20.00.
    /// </summary>
    [Fact]
    public void Cash_is_judged_by_its_value_date_whatever_was_posted_since()
    {
        var item = A with
        {
            Discounts = [Given.Discount("2026-03-05", 20)],
            Movements = [.. A.Movements, Given.Moved(MovementKind.SetOff, "2026-03-06", -500)],
            Credits = [(Given.Day("2026-03-06"), Given.Pounds(500))],
        };
        Told(Pay(980, "2026-03-05", filled: false, new ChosenItem(item))).ShouldBe("480.00 20.00 0.00 0.00 + 500.00");
        // What came before the credit and was a part then is no more than a part.
        Told(Pay(400, "2026-03-05", filled: false, new ChosenItem(item))).ShouldBe("400.00 0.00 0.00 100.00");
        // A day later nothing is to be had, and 500.00 are what is open.
        Told(Pay(500, "2026-03-06", filled: false, new ChosenItem(item))).ShouldBe("500.00 0.00 0.00 0.00");
    }

    [Fact]
    public void A_value_date_before_the_document_earns_nothing_and_is_named()
    {
        var early = Pay(1000, "2026-03-01", filled: false, new ChosenItem(A));
        Told(early).ShouldBe("1000.00 0.00 0.00 0.00");
        early.Lines[0].Settlement.Findings.Select(f => f.Code).ShouldBe(["before-invoice"]);
        Told(Pay(980, "1900-01-01", filled: false, new ChosenItem(A))).ShouldBe("980.00 0.00 0.00 20.00");
        A.DiscountOn(Given.Day("2026-03-01"), RoundingRule.HalfAwayFromZero).ShouldBeNull();
        A.DiscountOn(Given.Day("2026-03-02"), RoundingRule.HalfAwayFromZero)!.Amount.ToString().ShouldBe("20.00");
    }

    /// <summary>Part payments of which the first is written off: 490 take 10, and of the other 500 again 10.</summary>
    [Fact]
    public void A_rest_that_is_written_off_takes_what_is_left_of_the_discount_first() =>
        Told(
                Pay(
                    490,
                    "2026-03-10",
                    filled: false,
                    new ChosenItem(A with { PartPayments = true }, new(WriteOff: WriteOffChoice.Whole))
                )
            )
            .ShouldBe("490.00 20.00 490.00 0.00");

    /// <summary>6.06 × 100 / 1,200 is 0.505 exactly: 0.51.</summary>
    [Fact]
    public void The_tax_part_of_a_discount_is_multiplied_before_it_is_divided() =>
        Given.Amounts(1100, 100).TaxOf(Given.Pounds(6.06m), RoundingRule.HalfAwayFromZero).ToString().ShouldBe("0.51");

    /// <summary>
    /// Goods of 1,000.00 at 20 % and freight of 100.00 without tax that is not discountable: of 24.00 on the goods 4.00 are tax,
    /// and not 24 × 200 / 1,300 = 3.69.
    /// </summary>
    [Fact]
    public void The_tax_part_goes_by_the_lines_that_the_discount_is_taken_of()
    {
        var lines = new[]
        {
            new DocumentLine("Rope", 10, 100, Given.Pounds(1000), "STD"),
            new DocumentLine("Freight", 1, 100, Given.Pounds(100), "", Discountable: false, Freight: true),
        };
        var parts = NotDiscountable.Of(
            lines,
            [new("STD", "VAT", 20, Given.Pounds(1000), Given.Pounds(200))],
            Given.Gbp,
            RoundingRule.HalfAwayFromZero
        );
        parts.ShouldBe(new(Given.Pounds(100), Given.Pounds(0)));
        var amounts = Given.Amounts(1100, 200, 100) with { NotDiscountableParts = parts };
        amounts.TaxOf(Given.Pounds(24), RoundingRule.HalfAwayFromZero).ToString().ShouldBe("4.00");
        // Taxed freight at the same rate: 220.00 of tax, 20.00 of it on the freight.
        NotDiscountable
            .Of(
                [lines[0], lines[1] with { TaxCode = "STD" }],
                [new("STD", "VAT", 20, Given.Pounds(1100), Given.Pounds(220))],
                Given.Gbp,
                RoundingRule.HalfAwayFromZero
            )
            .ShouldBe(new(Given.Pounds(100), Given.Pounds(20)));
    }

    /// <summary>Two debits of 70 and 30 and a credit of 5 match 95; over very many items that is not certain.</summary>
    [Fact]
    public void A_pair_that_a_credit_completes_is_not_certain_where_not_all_debits_were_looked_at()
    {
        AllocationItem Open(int id, decimal open) =>
            new(
                $"{id}",
                $"D-{id}",
                Given.Day("2026-04-01").AddDays(id),
                new(Given.Pounds(open), [], Given.Day("2026-03-10"))
            );
        var many = Enumerable.Range(1, 400).Select(i => Open(i, 1000 + (7 * i))).ToList();
        many.Add(Open(900, 123_461.78m));
        many.Add(Open(901, -5));
        var p = AllocationProposal.Of(Given.Pounds(123_456.78m), "", many, None, RoundingRule.HalfAwayFromZero);
        (p.Rule, p.Confidence).ShouldBe((AllocationRule.Set, AllocationProposal.OneOfTwoWays));
        p.Findings.ShouldContain(f => f.Finding is ReceiptFinding.SearchBounded);
    }
}
