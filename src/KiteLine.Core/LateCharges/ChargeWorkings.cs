namespace KiteLine.Core;

/// <summary>The derivation of a late charge.</summary>
public static class ChargeWorkings
{
    /// <summary>One line a segment, the sum, the rounding, and minimum or maximum where they changed it.</summary>
    public static IEnumerable<Working> Of(LateChargePolicy policy, IReadOnlyList<ChargeSegment> segments, Money total, string subject = "")
    {
        ArgumentNullException.ThrowIfNull(policy);
        ArgumentNullException.ThrowIfNull(segments);
        var prefix = subject.Length == 0 ? "" : subject + ": ";
        foreach (var s in segments)
        {
            yield return new($"{prefix}{Exactly.Day(s.From)} to {Exactly.Day(s.To)}, {s.Days} {(s.Days == 1 ? "day" : "days")}",
                $"{Exactly.Plain(s.Balance)} × {Exactly.Plain(s.AnnualRate)} % × {policy.DayCount.Explain(s.From.AddDays(-1), s.To)}",
                Exactly.Figure(s.Amount, 2, 6));
        }

        var sum = segments.Sum(s => s.Amount);
        var rounded = Money.Round(sum, total.Currency);
        yield return new($"{prefix}{policy.Label}", segments.Count == 0 ? "no day is charged yet" : $"sum {Exactly.Figure(sum, 2, 6)}, rounded once", $"{rounded}");
        if (rounded == total) yield break;
        yield return total > rounded
            ? new($"{prefix}raised to the minimum", $"{rounded} is below {policy.Minimum}", $"{total}")
            : total.IsZero
                ? new($"{prefix}not charged", $"{rounded} is below the minimum of {policy.Minimum}", $"{total}")
                : new($"{prefix}held to the maximum", $"{rounded} is above {policy.Maximum}", $"{total}");
    }
}
