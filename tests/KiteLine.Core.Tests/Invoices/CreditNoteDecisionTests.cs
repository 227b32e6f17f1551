using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public sealed class CreditNoteDecisionTests
{
    private static readonly DateOnly Today = Given.Day("2026-03-16");
    private static readonly Item First = Given.Invoice("INV-1/1", 400, "2026-03-01", "2026-03-20", id: 1);
    private static readonly Item Second = Given.Invoice("INV-1/2", 600, "2026-03-01", "2026-04-20", id: 2);
    private static readonly Item Other = Given.Invoice("INV-2", 100, "2026-03-10", "2026-04-09", id: 3);

    private static CreditedInvoice Invoice(decimal credited = 0) =>
        new(7, "INV-1", Given.Day("2026-03-01"), Given.Pounds(1000), Given.Pounds(credited), [First, Second]);

    private static CreditNoteDecision Decide(
        decimal net,
        CreditedInvoice? invoice = null,
        string date = "2026-03-16",
        Authority? authority = null,
        decimal lately = 0,
        params (long Item, decimal Amount)[]? settles
    ) =>
        CreditNoteDecision.Of(
            new(
                "CRN-1",
                Given.Day(date),
                Given.Amounts(net),
                invoice?.Number,
                "",
                settles?.ToDictionary(s => s.Item, s => Given.Pounds(s.Amount))
            ),
            DocumentContent.Of(Given.Amounts(net)),
            invoice,
            Given.Pounds(lately),
            [First, Second, Other],
            authority ?? Authority.Unbounded,
            Given.Rules(Today)
        );

    private static string Settled(CreditNoteDecision d) =>
        string.Join(", ", d.Settled.Select(s => $"{s.Item.Document} {s.Amount}"));

    [Fact]
    public void It_is_set_against_the_invoice_that_it_names_oldest_due_first()
    {
        var decision = Decide(700, Invoice(), settles: null);
        Settled(decision).ShouldBe("INV-1/1 400.00, INV-1/2 300.00");
        decision.OnAccount.ShouldBe(Given.Pounds(0));
        decision.Posting.Lines.Select(l => $"{l.Purpose} {l.Amount}").ShouldBe(["Sales 700.00", "Receivables -700.00"]);
        decision.Posting.Documents.ShouldHaveSingleItem().CreditsId.ShouldBe(7);
        decision.Posting.Checked();
    }

    [Fact]
    public void What_is_over_stays_on_account()
    {
        var paid = Invoice() with { Items = [Second with { Movements = [.. Second.Movements, Paid(500)] }] };
        var decision = Decide(300, paid, settles: null);
        Settled(decision).ShouldBe("INV-1/2 100.00");
        decision.OnAccount.ShouldBe(Given.Pounds(200));
    }

    private static Movement Paid(decimal amount) => Given.Moved(MovementKind.Cash, "2026-03-10", -amount);

    [Fact]
    public void One_that_names_no_invoice_stays_on_account_or_settles_what_is_chosen()
    {
        Decide(50, settles: null).OnAccount.ShouldBe(Given.Pounds(50));
        Settled(Decide(120, null, "2026-03-16", null, 0, (3, 100), (1, 20))).ShouldBe("INV-1/1 20.00, INV-2 100.00");
        Settled(Decide(120, Invoice(), "2026-03-16", null)).ShouldBe("");
    }

    [Theory]
    [InlineData(1000.01, 0, "more than is left to credit")]
    [InlineData(800.01, 200, "of which 200.00 is credited already")]
    public void More_than_was_invoiced_is_refused(decimal net, decimal credited, string told) =>
        Should
            .Throw<RefusedException>(() => Decide(net, Invoice(credited), settles: null))
            .Problems.ShouldHaveSingleItem()
            .ShouldSatisfyAllConditions(p => p.Field.ShouldBe("invoice"), p => p.Message.ShouldContain(told));

    [Theory]
    [InlineData(50, 3, 100.01, "INV-2 has 100.00 open")]
    [InlineData(50, 3, 60, "More is set against items than the 50.00")]
    [InlineData(50, 9, 10, "choose among its open items")]
    [InlineData(50, 3, 0, "above zero")]
    public void More_than_is_open_or_credited_is_not_set_off(decimal net, long item, decimal amount, string told) =>
        Should
            .Throw<RefusedException>(() => Decide(net, null, "2026-03-16", null, 0, (item, amount)))
            .Problems.ShouldHaveSingleItem()
            .ShouldSatisfyAllConditions(p => p.Field.ShouldBe("settles"), p => p.Message.ShouldContain(told));

    [Theory]
    [InlineData("2026-02-28", "not dated before it")]
    [InlineData("2026-03-17", "or before")]
    public void A_date_that_cannot_be_is_refused(string date, string told) =>
        Should
            .Throw<RefusedException>(() => Decide(10, Invoice(), date, settles: null))
            .Problems.ShouldHaveSingleItem()
            .ShouldSatisfyAllConditions(p => p.Field.ShouldBe("date"), p => p.Message.ShouldContain(told));

    [Fact]
    public void It_is_measured_by_the_authority_to_write_off()
    {
        var some = new Authority(0, 0, 0, 50);
        Decide(50, Invoice(), authority: some, settles: null).OnAccount.IsZero.ShouldBeTrue();
        Should
            .Throw<RefusedException>(() => Decide(50.01m, Invoice(), authority: some, settles: null))
            .Message.ShouldContain("above your authority");
        // With those of the last month: 30 and 20 are covered, 30 and 20.01 are not.
        Decide(20, Invoice(30), authority: some, lately: 30, settles: null).OnAccount.IsZero.ShouldBeTrue();
        Should
            .Throw<RefusedException>(() => Decide(20.01m, Invoice(30), authority: some, lately: 30, settles: null))
            .Message.ShouldContain("50.01 with those of the last month");
    }
}
