using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>A slip that the bank credits: what it is short of is written off, and measured so.</summary>
public sealed class ClearedPostingTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static Posting Credited(decimal amount, decimal? writeOff, string reason = "a coin short") =>
        ClearedPosting.OfBatch(
            new()
            {
                Reference = "1",
                Date = Today,
                ValueDate = Today,
                Amount = Given.Pounds(amount),
                Booked = true,
                Charges = Given.Pounds(0),
            },
            Given.Pounds(120),
            "SLP-00001",
            null,
            null,
            reason,
            new(0, 0, 0, writeOff),
            Given.Rules(Today)
        );

    private static string Told(Posting posting) =>
        string.Join(", ", posting.Lines.Select(l => $"{l.Purpose} {l.Amount}"));

    [Fact]
    public void What_it_is_short_or_over_takes_a_reason_and_the_authority_to_write_off()
    {
        Told(Credited(120, 0, "")).ShouldBe("Bank 120.00, Bank -120.00");
        Told(Credited(118, 2)).ShouldBe("Bank 118.00, SmallDifferences 2.00, Bank -120.00");
        Told(Credited(121, 1)).ShouldBe("Bank 121.00, SmallDifferences -1.00, Bank -120.00");
        foreach (
            var refused in new Action[]
            {
                () => Credited(118, 1.99m),
                () => Credited(118, 0),
                () => Credited(121, 0.99m),
            }
        )
            Should.Throw<RefusedException>(refused).Problems.Single().Field.ShouldBe("slip");
        Should.Throw<RefusedException>(() => Credited(118, 2, " ")).Problems.Single().Field.ShouldBe("reason");
    }
}
