using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class OrderStepRuleTests
{
    private static readonly DateOnly Day = new(2026, 3, 16);

    private static string Refused(Func<OrderStep> act) => Should.Throw<RefusedException>(act).Problems[0].Field;

    [Fact]
    public void A_release_approves_what_is_left_or_a_part_of_it_beyond_what_was_invoiced()
    {
        var held = OrderStepRule.Entered(Day, 1000, approved: false);
        held.Held(Day).ShouldBe(1000);
        var part = OrderStepRule.Released(held, Day, 400, null);
        (part.NotInvoiced(Day), part.Held(Day)).ShouldBe((400, 600));
        // A second part comes to the first, it does not take its place.
        var more = OrderStepRule.Released(part, Day, 100, null);
        (more.NotInvoiced(Day), more.Held(Day)).ShouldBe((500, 500));
        Refused(() => OrderStepRule.Released(more, Day, 501, null)).ShouldBe("amount");
        var invoiced = OrderStepRule.Invoiced(part, Day, 400);
        (invoiced.NotInvoiced(Day), invoiced.Held(Day), invoiced.Over).ShouldBe((0, 600, false));
        var rest = OrderStepRule.Released(invoiced, Day, null, Day.AddDays(3));
        (rest.NotInvoiced(Day.AddDays(3)), rest.NotInvoiced(Day.AddDays(4))).ShouldBe((600, 0));
        // Once it has lapsed, a part of it counts from nothing; before that its end can be moved.
        OrderStepRule.Released(rest, Day.AddDays(4), 100, null).NotInvoiced(Day.AddDays(4)).ShouldBe(100);
        OrderStepRule.Released(rest, Day, null, Day.AddDays(9)).NotInvoiced(Day.AddDays(9)).ShouldBe(600);
        Refused(() => OrderStepRule.Released(invoiced, Day, 601, null)).ShouldBe("amount");
        Refused(() => OrderStepRule.Released(invoiced, Day, 0, null)).ShouldBe("amount");
        Refused(() => OrderStepRule.Released(invoiced, Day, null, Day.AddDays(-1))).ShouldBe("until");
    }

    [Fact]
    public void No_more_is_invoiced_than_is_approved_and_the_last_invoice_ends_the_order()
    {
        var approved = OrderStepRule.Entered(Day, 1000, approved: true);
        Refused(() => OrderStepRule.Invoiced(approved, Day, 1001)).ShouldBe("order");
        var done = OrderStepRule.Invoiced(approved, Day, 1000);
        done.Over.ShouldBeTrue();
        Refused(() => OrderStepRule.Released(done, Day, null, null)).ShouldBe("order");
        var back = OrderStepRule.InvoiceReversed(done, Day, 1000);
        (back.Over, back.NotInvoiced(Day)).ShouldBe((false, 1000));
    }

    [Fact]
    public void What_was_released_until_a_day_is_not_invoiced_after_it() =>
        Refused(() =>
                OrderStepRule.Invoiced(
                    OrderStepRule.Released(OrderStepRule.Entered(Day, 1000, false), Day, null, Day),
                    Day.AddDays(1),
                    1
                )
            )
            .ShouldBe("order");

    [Fact]
    public void Growth_is_approved_by_its_own_check_only_and_shrinking_keeps_what_still_fits()
    {
        var approved = OrderStepRule.Invoiced(OrderStepRule.Entered(Day, 1000, true), Day, 300);
        var grown = OrderStepRule.Changed(approved, Day, 1500, growthApproved: false);
        (grown.NotInvoiced(Day), grown.Held(Day)).ShouldBe((700, 500));
        OrderStepRule.Changed(approved, Day, 1500, growthApproved: true).NotInvoiced(Day).ShouldBe(1200);
        OrderStepRule.Changed(approved, Day, 800, false).NotInvoiced(Day).ShouldBe(500);
        OrderStepRule.Changed(approved, Day, 300, false).Over.ShouldBeTrue();
        Refused(() => OrderStepRule.Changed(approved, Day, 299, false)).ShouldBe("total");
    }

    [Fact]
    public void An_order_that_is_over_stays_so_even_when_an_invoice_is_taken_back()
    {
        var closed = OrderStepRule.Ended(OrderStepRule.Invoiced(OrderStepRule.Entered(Day, 1000, true), Day, 300), Day);
        (closed.NotInvoiced(Day), closed.Held(Day)).ShouldBe((0, 0));
        var back = OrderStepRule.InvoiceReversed(closed, Day, 300);
        (back.Over, back.NotInvoiced(Day), back.Invoiced).ShouldBe((true, 0, 0));
    }
}
