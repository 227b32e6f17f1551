using KiteLine.Core;

namespace KiteLine.Bench;

/// <summary>
/// The late-charge proposal of two segments an item, and a bare loop over the same decimals as its yardstick.
/// </summary>
internal static class ChargeLoop
{
    internal static LateChargePolicy Policy { get; } =
        new() { Rates = [new(new(2000, 1, 1), 12)], DayCount = DayCount.Of("act/365f") };

    private static readonly DateOnly Through = new(2026, 3, 16);

    /// <summary>Sum of the charges by the core, in minor units.</summary>
    internal static long Core(decimal[] amounts)
    {
        var segments = new List<ChargeSegment>();
        BalanceChange[] changes = [new(new(2026, 2, 1), 0)];
        var gbp = Currency.Of("GBP");
        long total = 0;
        foreach (var amount in amounts)
        {
            changes[0] = changes[0] with { Amount = -amount / 4 };
            segments.Clear();
            DailyMethod.Accrue(Policy, amount, changes, new(2026, 1, 10), null, Through, segments);
            total += DailyMethod.Total(Policy, segments, gbp, RoundingRule.HalfAwayFromZero).Minor;
        }

        return total;
    }

    /// <summary>The same multiplications and divisions with nothing around them.</summary>
    internal static long Bare(decimal[] amounts)
    {
        long total = 0;
        foreach (var amount in amounts)
        {
            var rest = amount - (amount / 4);
            var charge = (amount * 12m * (22 / 365m) / 100) + (rest * 12m * (43 / 365m) / 100);
            total += (long)(Math.Round(charge, 2, MidpointRounding.AwayFromZero) * 100);
        }

        return total;
    }
}
