using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public sealed class WriteOffPostingTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Authority UpTo50 = new(0, 0, 0, 50);

    private static ItemDetail With(params Movement[] more)
    {
        var item = Given.Invoice("INV-1", 300, "2026-02-01", "2026-03-03");
        return Of(item with { Movements = [.. item.Movements, .. more] });
    }

    private static ItemDetail Of(Item item) => new(item, item.Document, "", Given.Amounts(250, 50), "");

    [Fact]
    public void What_was_written_off_before_counts_towards_the_authority()
    {
        var before = With(Given.Moved(MovementKind.WriteOff, "2026-03-10", -30));
        Should
            .Throw<RefusedException>(() =>
                WriteOffPosting.Of(before, Given.Pounds(20.01m), false, false, "a rest", UpTo50, Given.Rules(Today))
            )
            .Message.ShouldContain("50.01 in all");
        WriteOffPosting
            .Of(before, Given.Pounds(20), false, false, "a rest", UpTo50, Given.Rules(Today))
            .Lines.Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["SmallDifferences 20.00", "Receivables -20.00"]);
        // One that was taken back does not.
        WriteOffPosting.Of(
            With(
                Given.Moved(MovementKind.WriteOff, "2026-03-10", -30),
                Given.Moved(MovementKind.WriteOff, "2026-03-10", 30)
            ),
            Given.Pounds(50),
            true,
            false,
            "gone",
            UpTo50,
            Given.Rules(Today)
        );
    }

    /// <summary>
    /// 1,000.00 of which 960.00 are paid, inside the window of 20.00: of the 40.00 that are left 20.00 are discount, 4.00 of it
    /// tax at 200 of 1,200 (3.33 here: 20 × 50 / 300), and 20.00 are written off.
    /// </summary>
    [Fact]
    public void A_rest_inside_the_window_takes_the_discount_first_as_it_does_with_the_payment()
    {
        var item = Given.Invoice(
            "INV-1",
            1000,
            "2026-03-10",
            "2026-04-09",
            1,
            [Given.Discount("2026-03-20", 20)],
            Given.Moved(MovementKind.Cash, "2026-03-12", -960)
        );
        Posting Off(decimal amount, bool bad = false, bool barred = false) =>
            WriteOffPosting.Of(Of(item), Given.Pounds(amount), bad, barred, "a rest", UpTo50, Given.Rules(Today));
        string Told(Posting p) => string.Join(", ", p.Lines.Select(l => $"{l.Purpose} {l.Amount}"));
        Told(Off(40)).ShouldBe("DiscountsAllowed 16.67, OutputTax 3.33, SmallDifferences 20.00, Receivables -40.00");
        // A part of it settles nothing, and a bad debt earns no discount.
        Told(Off(30)).ShouldBe("SmallDifferences 30.00, Receivables -30.00");
        Told(Off(40, bad: true)).ShouldBe("BadDebts 40.00, Receivables -40.00");
        Should.Throw<RefusedException>(() => Off(40, barred: true)).Message.ShouldContain("barred");
        Should.Throw<RefusedException>(() => Off(40, bad: true, barred: true)).Message.ShouldContain("barred");
    }
}
