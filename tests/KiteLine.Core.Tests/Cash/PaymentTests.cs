using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class PaymentTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly ShortPayAllowance Allowance = new(5, 1);
    private static readonly Item Older = Given.Invoice("INV-1", 600, "2026-01-10", "2026-02-09", 1);
    private static readonly Item WithDiscount = Given.Invoice("INV-2", 1000, "2026-03-10", "2026-04-09", 2, [Given.Discount("2026-03-20", 20)]);
    private static readonly Item LateDiscount = Given.Invoice("INV-3", 1000, "2026-03-01", "2026-03-31", 3, [Given.Discount("2026-03-11", 20)]);

    private static Payment Pay(decimal cash, params ChosenItem[] chosen) => Payment.Of(Given.Pounds(cash), Today, chosen, Allowance);

    private static string Parts(Payment payment) => string.Join(" | ", payment.Lines.Select(l => $"{l.Item.Document} {l.Settlement.Cash} {l.Settlement.Discount} {l.Settlement.WriteOff} {l.Settlement.StaysOpen}"));

    [Fact]
    public void Discounted_sum_of_all_chosen_settles_all()
    {
        var payment = Pay(1580, new(WithDiscount), new(Older));
        Parts(payment).ShouldBe("INV-1 600.00 0.00 0.00 0.00 | INV-2 980.00 20.00 0.00 0.00");
        payment.OnAccount.IsZero.ShouldBeTrue();
    }

    [Fact]
    public void Full_sum_uses_no_discount_unless_it_is_granted()
    {
        Parts(Pay(1600, new(Older), new(WithDiscount))).ShouldBe("INV-1 600.00 0.00 0.00 0.00 | INV-2 1000.00 0.00 0.00 0.00");
        var granted = Pay(1600, new(Older), new(WithDiscount, DiscountChoice.Grant));
        Parts(granted).ShouldBe("INV-1 600.00 0.00 0.00 0.00 | INV-2 980.00 20.00 0.00 0.00");
        granted.OnAccount.ToString().ShouldBe("20.00");
    }

    [Fact]
    public void Oldest_due_is_settled_first_and_the_rest_stays_open()
    {
        Parts(Pay(700, new(WithDiscount), new(Older))).ShouldBe("INV-1 600.00 0.00 0.00 0.00 | INV-2 100.00 0.00 0.00 900.00");
        Parts(Pay(600, new(WithDiscount), new(Older))).ShouldBe("INV-1 600.00 0.00 0.00 0.00 | INV-2 0.00 0.00 0.00 1000.00");
    }

    [Fact]
    public void A_discount_taken_late_stays_open_unless_it_is_allowed()
    {
        var named = Pay(980, new ChosenItem(LateDiscount));
        named.Lines[0].Settlement.Findings.ShouldHaveSingleItem().ShouldBeOfType<ReceiptFinding.DiscountUnearned>().DaysLate.ShouldBe(5);
        Parts(named).ShouldBe("INV-3 980.00 0.00 0.00 20.00");
        Parts(Pay(980, new ChosenItem(LateDiscount, DiscountChoice.Grant))).ShouldBe("INV-3 980.00 20.00 0.00 0.00");
    }

    [Fact]
    public void A_refused_discount_is_not_given_even_in_its_window() =>
        Parts(Pay(980, new ChosenItem(WithDiscount, DiscountChoice.Refuse))).ShouldBe("INV-2 980.00 0.00 0.00 20.00");

    [Fact]
    public void A_discount_is_given_once()
    {
        var settled = WithDiscount with { Movements = [.. WithDiscount.Movements, Given.Moved(MovementKind.Discount, "2026-03-12", -20)] };
        settled.DiscountOn(Today).ShouldBeNull();
        Parts(Pay(960, new ChosenItem(settled))).ShouldBe("INV-2 960.00 0.00 0.00 20.00");
    }

    [Fact]
    public void Nothing_chosen_leaves_all_on_account() => Pay(250).OnAccount.ToString().ShouldBe("250.00");

    [Fact]
    public void A_closed_item_and_no_cash_are_refused()
    {
        var closed = Older with { Movements = [.. Older.Movements, Given.Moved(MovementKind.Cash, "2026-02-01", -600)] };
        Should.Throw<ArgumentException>(() => Pay(10, new ChosenItem(closed)));
        Should.Throw<ArgumentException>(() => Pay(0, new ChosenItem(Older)));
    }

    [Fact]
    public void Every_payment_ties_and_posts_a_balanced_journal() =>
        Gen.Select(Gen.Int[1, 400_000], Gen.Select(Gen.Int[100, 100_000], Gen.Int[-10, 20], Gen.Int[0, 2], Gen.Int[0, 90]).Array[0, 6]).Sample((cash, drawn) =>
        {
            var chosen = drawn.Select((d, i) =>
            {
                var (amount, days, choice, late) = d;
                var due = Today.AddDays(-late);
                return new ChosenItem(new Item
                {
                    Id = i + 1,
                    Document = $"I{i}",
                    Kind = ItemKind.Invoice,
                    Date = due.AddDays(-30),
                    Due = due,
                    Movements = [new(MovementKind.Opened, due.AddDays(-30), Money.FromMinor(amount, Given.Gbp))],
                    Discounts = [new(Today.AddDays(days), 0, Money.FromMinor(Math.Max(1, amount / 50), Given.Gbp))],
                }, (DiscountChoice)choice);
            }).ToArray();
            var payment = Payment.Of(Money.FromMinor(cash, Given.Gbp), Today, chosen, Allowance);
            foreach (var line in payment.Lines)
                (line.Settlement.Cash + line.Settlement.Discount + line.Settlement.WriteOff + line.Settlement.StaysOpen).ShouldBe(line.Open);
            (payment.Lines.Sum(l => l.Settlement.Cash.Minor) + payment.OnAccount.Minor).ShouldBe(cash);

            var posting = ReceiptPosting.Of(payment, Today, "", _ => 1 / 6m);
            posting.Lines.Sum(l => l.Amount.Minor).ShouldBe(0);
            posting.Lines.Single(l => l.Purpose == PostingPurpose.Bank).Amount.Minor.ShouldBe(cash);
            posting.Lines.Where(l => l.IsCustomers).Sum(l => l.Amount.Minor).ShouldBe(posting.AllMovements.Sum(m => m.Amount.Minor));
        });

    [Fact]
    public void A_discount_splits_into_net_and_tax_at_the_invoices_own_rate()
    {
        var posting = ReceiptPosting.Of(Pay(980, new ChosenItem(WithDiscount)), Today, "", _ => 200m / 1200m);
        posting.Lines.Select(l => $"{l.Purpose} {l.Amount}").ShouldBe(["Bank 980.00", "DiscountsAllowed 16.67", "OutputTax 3.33", "Receivables -1000.00"]);
        ReceiptPosting.Of(Pay(980, new ChosenItem(WithDiscount)), Today, "").Lines.Single(l => l.Purpose == PostingPurpose.DiscountsAllowed).Amount.ToString().ShouldBe("20.00");
    }
}
