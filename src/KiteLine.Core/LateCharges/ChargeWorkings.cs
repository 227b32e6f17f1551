namespace KiteLine.Core;

/// <summary>The derivation of a late charge.</summary>
public static class ChargeWorkings
{
    /// <summary>
    /// The derivation of an item's charge: its interest, the fixed sum and the correction where they are due.
    /// </summary>
    /// <param name="policy">The policy with its amounts in the item's currency.</param>
    public static IEnumerable<Working> Of(
        LateChargePolicy policy,
        ItemCharge charge,
        RoundingRule rounding,
        string subject = ""
    )
    {
        ArgumentNullException.ThrowIfNull(policy);
        ArgumentNullException.ThrowIfNull(charge);
        var prefix = subject.Length == 0 ? "" : subject + ": ";
        if (policy.Reference is { } rule && charge.Segments.Count > 0)
        {
            foreach (var row in policy.RatesFor(charge.Item.Due, charge.Through))
                yield return new(
                    $"{prefix}Rate from {Exactly.Day(row.From)}",
                    $"{rule.Code} of {Exactly.Day(rule.DayBefore ? row.From.AddDays(-1) : row.From)}, "
                        + $"{Exactly.Plain(row.AnnualRate - rule.Margin)} % + {Exactly.Plain(rule.Margin)} %",
                    $"{Exactly.Plain(row.AnnualRate)} %"
                );
        }

        foreach (var line in Of(policy, charge.Segments, charge.Interest, rounding, charge.Carried, subject))
            yield return line;
        if (!charge.Compensation.IsZero)
            yield return new(
                $"{prefix}Fixed sum",
                $"once an item, for {charge.Item.OpenByValue(charge.Item.Due)} overdue",
                $"{charge.Compensation}"
            );
        if (!charge.Correction.IsZero)
            yield return new(
                $"{prefix}Correction",
                "what earlier charges would be now, less what was raised",
                $"{charge.Correction}"
            );
        if (charge.Total != charge.Interest)
            yield return new($"{prefix}Charged", Sum(charge), $"{charge.Total}");
    }

    /// <summary>One line a segment, the sum, the rounding, and minimum or maximum where they changed it.</summary>
    /// <param name="carried">What the rounding of earlier charges left over.</param>
    public static IEnumerable<Working> Of(
        LateChargePolicy policy,
        IReadOnlyList<ChargeSegment> segments,
        Money total,
        RoundingRule rounding,
        decimal carried = 0,
        string subject = ""
    )
    {
        ArgumentNullException.ThrowIfNull(policy);
        ArgumentNullException.ThrowIfNull(segments);
        var prefix = subject.Length == 0 ? "" : subject + ": ";
        // A share of an account's bands is no whole number of minor units.
        string Balance(ChargeSegment s) => Exactly.Figure(s.Balance, total.Currency.Decimals, 6);
        foreach (var s in segments)
        {
            yield return new(
                $"{prefix}{Exactly.Day(s.From)} to {Exactly.Day(s.To)}, {s.Days} {(s.Days == 1 ? "day" : "days")}",
                policy is { Method: ChargeMethod.Monthly, Monthly: { } monthly }
                    ? $"{Balance(s)} × {Exactly.Plain(monthly.Percent)} % for the month"
                    : $"{Balance(s)} × {Exactly.Plain(s.AnnualRate)} % × "
                        + $"{policy.DayCount.Explain(s.From.AddDays(-1), s.To)}",
                Exactly.Figure(s.Amount, 2, 6)
            );
        }

        if (carried != 0 && segments.Count > 0)
            yield return new(
                $"{prefix}Left by the rounding of earlier charges",
                "so that all charges together are rounded once",
                Exactly.Figure(carried, 2, 6)
            );
        var sum = ChargeSegment.Sum(segments) + (segments.Count == 0 ? 0 : carried);
        var rounded = Money.Round(sum, total.Currency, rounding);
        yield return new(
            $"{prefix}{policy.Label}",
            segments.Count == 0 ? "no day is charged yet" : $"sum {Exactly.Figure(sum, 2, 6)}, rounded once",
            $"{rounded}"
        );
        if (rounded == total)
            yield break;
        yield return total > rounded
            ? new($"{prefix}raised to the minimum", $"{rounded} is below {policy.Minimum}", $"{total}")
        : total.IsZero && rounded.Amount < policy.Minimum
            ? new($"{prefix}not charged", $"{rounded} is below the minimum of {policy.Minimum}", $"{total}")
        : new(
            $"{prefix}held to the maximum",
            $"{rounded} is above what the policy lets be charged {Most(policy)}",
            $"{total}"
        );
    }

    private static string Sum(ItemCharge charge) =>
        string.Join(
                " + ",
                new[] { charge.Interest, charge.Compensation, charge.Correction }.Where(part => !part.IsZero)
            )
            .Replace("+ -", "− ", StringComparison.Ordinal);

    private static string Most(LateChargePolicy policy) =>
        string.Join(
            ", ",
            new[]
            {
                policy.Maximum is { } item ? $"an item: {item}" : null,
                policy.MaximumPerRun is { } run ? $"an account and run: {run}" : null,
                policy.MaximumOverLife is { } life ? $"an item over its life: {life}" : null,
            }.Where(text => text is not null)
        );
}
