using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public sealed class WriteOffPostingTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Authority UpTo50 = new(0, 0, 0, 50);

    private static Item With(params Movement[] more)
    {
        var item = Given.Invoice("INV-1", 300, "2026-02-01", "2026-03-03");
        return item with { Movements = [.. item.Movements, .. more] };
    }

    [Fact]
    public void What_was_written_off_before_counts_towards_the_authority()
    {
        var before = With(Given.Moved(MovementKind.WriteOff, "2026-03-10", -30));
        Should
            .Throw<RefusedException>(() =>
                WriteOffPosting.Of(before, Given.Pounds(20.01m), false, "a rest", UpTo50, Given.Rules(Today))
            )
            .Message.ShouldContain("50.01 in all");
        WriteOffPosting
            .Of(before, Given.Pounds(20), false, "a rest", UpTo50, Given.Rules(Today))
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
            "gone",
            UpTo50,
            Given.Rules(Today)
        );
    }
}
