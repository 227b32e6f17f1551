namespace KiteLine.Core;

/// <summary>The derivation of a late charge.</summary>
public static class ChargeWorkings
{
    /// <summary>The derivation of an item's charge: its interest, and the fixed sum where one is due.</summary>
    public static IEnumerable<Working> Of(LateChargePolicy policy, ItemCharge charge, string subject = "")
    {
        ArgumentNullException.ThrowIfNull(charge);
        if (policy.Reference is { } rule && charge.Segments.Count > 0)
        {
            foreach (var row in policy.RatesFor(charge.Item.Due, charge.Through))
                yield return new($"{(subject.Length == 0 ? "" : subject + ": ")}Rate from {Exactly.Day(row.From)}",
                    $"{rule.Code} of {Exactly.Day(rule.DayBefore ? row.From.AddDays(-1) : row.From)}, {Exactly.Plain(row.AnnualRate - rule.Margin)} % + {Exactly.Plain(rule.Margin)} %",
                    $"{Exactly.Plain(row.AnnualRate)} %");
        }

        foreach (var line in Of(policy, charge.Segments, charge.Interest, subject)) yield return line;
        if (charge.Compensation.IsZero) yield break;
        var prefix = subject.Length == 0 ? "" : subject + ": ";
        yield return new($"{prefix}Fixed sum", $"once an item, for {charge.Item.OpenAt(charge.Item.Due)} overdue", $"{charge.Compensation}");
        yield return new($"{prefix}Charged", $"{charge.Interest} + {charge.Compensation}", $"{charge.Total}");
    }

    /// <summary>One line a segment, the sum, the rounding, and minimum or maximum where they changed it.</summary>
    public static IEnumerable<Working> Of(LateChargePolicy policy, IReadOnlyList<ChargeSegment> segments, Money total, string subject = "")
    {
        ArgumentNullException.ThrowIfNull(policy);
        ArgumentNullException.ThrowIfNull(segments);
        var prefix = subject.Length == 0 ? "" : subject + ": ";
        foreach (var s in segments)
        {
            yield return new($"{prefix}{Exactly.Day(s.From)} to {Exactly.Day(s.To)}, {s.Days} {(s.Days == 1 ? "day" : "days")}",
                policy is { Method: ChargeMethod.Monthly, Monthly: { } monthly }
                    ? $"{Exactly.Plain(s.Balance)} × {Exactly.Plain(monthly.Percent)} % for the month"
                    : $"{Exactly.Plain(Math.Round(s.Balance, 6))} × {Exactly.Plain(s.AnnualRate)} % × {policy.DayCount.Explain(s.From.AddDays(-1), s.To)}",
                Exactly.Figure(s.Amount, 2, 6));
        }

        var sum = segments.Sum(s => s.Amount);
        var rounded = Money.Round(sum, total.Currency);
        yield return new($"{prefix}{policy.Label}", segments.Count == 0 ? "no day is charged yet" : $"sum {Exactly.Figure(sum, 2, 6)}, rounded once", $"{rounded}");
        if (rounded == total) yield break;
        yield return total > rounded
            ? new($"{prefix}raised to the minimum", $"{rounded} is below {policy.Minimum}", $"{total}")
            : total.IsZero && rounded.Amount < policy.Minimum
                ? new($"{prefix}not charged", $"{rounded} is below the minimum of {policy.Minimum}", $"{total}")
                : new($"{prefix}held to the maximum", $"{rounded} is above what the policy lets be charged {Most(policy)}", $"{total}");
    }

    private static string Most(LateChargePolicy policy) => string.Join(", ", new[]
    {
        policy.Maximum is { } item ? $"an item: {item}" : null,
        policy.MaximumPerRun is { } run ? $"an account and run: {run}" : null,
        policy.MaximumOverLife is { } life ? $"an item over its life: {life}" : null,
    }.Where(text => text is not null));
}
