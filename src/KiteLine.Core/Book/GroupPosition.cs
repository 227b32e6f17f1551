namespace KiteLine.Core;

/// <summary>Where a group of accounts stands on a day against its own limit.</summary>
/// <param name="Overdue">What is overdue of its accounts, in its currency.</param>
/// <param name="Missing">Currencies without a rate of the day; their accounts are not in the sum.</param>
public sealed record GroupPosition(
    BookGroup Group,
    DateOnly Day,
    Money Exposure,
    Money Overdue,
    LimitChange? Limit,
    long Uplift,
    DateOnly? UpliftUntil,
    IReadOnlyList<GroupPart> Parts,
    IReadOnlyList<Currency> Missing
)
{
    /// <summary>Zero where the group has no limit of its own.</summary>
    public Money StandingLimit => Limit?.Amount ?? Money.Zero(Group.Currency);

    /// <summary>The standing limit and the uplifts in force.</summary>
    public Money EffectiveLimit => StandingLimit + Money.FromMinor(Uplift, Group.Currency);

    /// <summary>What is left; negative where the group is over its limit.</summary>
    public Money Headroom => EffectiveLimit - Exposure;

    /// <summary>A group without a limit of its own is only a name.</summary>
    public bool HasLimit => Limit is not null;

    /// <summary>Whether the day of its review has passed; on the day itself it has not.</summary>
    public bool ReviewLapsed => Limit?.ReviewOn < Day;

    /// <summary>
    /// Adds up the accounts of a group and of the groups below it, each converted with the rate of the day and rounded
    /// once.
    /// </summary>
    public static GroupPosition On(
        BookGroup group,
        DateOnly day,
        IEnumerable<AccountPosition> members,
        ExchangeRates rates
    )
    {
        ArgumentNullException.ThrowIfNull(group);
        ArgumentNullException.ThrowIfNull(members);
        ArgumentNullException.ThrowIfNull(rates);
        var parts = members
            .Select(p => new GroupPart(
                p,
                rates.Convert(Money.FromMinor(p.Exposure, p.Account.Currency), group.Currency, day),
                ReferenceEquals(p.Account.Currency, group.Currency) ? null : rates.On(p.Account.Currency, day)
            ))
            .ToArray();
        var sum = parts.Aggregate(Money.Zero(group.Currency), (s, p) => s + (p.Exposure ?? Money.Zero(group.Currency)));
        var overdue = parts
            .Where(p => p.Exposure is not null)
            .Aggregate(
                Money.Zero(group.Currency),
                (s, p) =>
                    s
                    + rates
                        .Convert(Money.FromMinor(p.Position.Overdue, p.Position.Account.Currency), group.Currency, day)!
                        .Value
            );
        var limit = LimitStanding.On(group.Limits, group.Uplifts, day);
        return new(
            group,
            day,
            sum,
            overdue,
            limit.Change,
            limit.Uplift,
            limit.UpliftUntil,
            parts,
            [
                .. parts
                    .Where(p => p.Exposure is null)
                    .Select(p => rates.Missing(p.Position.Account.Currency, group.Currency, day)!)
                    .Distinct(),
            ]
        );
    }

    /// <summary>
    /// What the group's limit bar draws, in minor units of its currency: the parts of its accounts' bars, converted;
    /// the largest takes what rounding leaves, so that they add up to the exposure when that is above zero.
    /// </summary>
    public long[] DrawnParts()
    {
        long[] sums = [];
        foreach (var part in Parts)
        {
            if (part.Exposure is not { Minor: > 0 } exposure || part.Position.Exposure <= 0)
                continue;
            var drawn = part.Position.DrawnParts();
            if (sums.Length == 0)
                sums = new long[drawn.Length];
            for (var i = 0; i < drawn.Length; i++)
                sums[i] += (long)
                    Math.Round(
                        (decimal)drawn[i] * exposure.Minor / part.Position.Exposure,
                        MidpointRounding.AwayFromZero
                    );
        }

        if (sums.Length == 0)
            return [];
        sums[Array.IndexOf(sums, sums.Max())] += Math.Max(0, Exposure.Minor) - sums.Sum();
        return [.. sums.Select(x => Math.Max(0, x))];
    }

    /// <summary>Lists every account with its exposure and rate, then the sum and the limit.</summary>
    public IReadOnlyList<Working> Workings() =>
        [
            .. Largest(Parts, p => p.Exposure?.Minor ?? 0)
                .Select(p => new Working(
                    p.Position.Account.Code,
                    Text(p.Position)
                        + (
                            p.Exposure is null ? ", no rate of the day"
                            : p.Rate is { } rate ? $" at {Exactly.Plain(rate.Rate)} of {Exactly.Day(rate.On)}"
                            : ""
                        ),
                    p.Exposure?.ToString() ?? "—"
                )),
            .. Others(Parts, p => p.Exposure?.Minor ?? 0, Group.Currency),
            new(
                "Exposure",
                "sum of the above"
                    + (Missing.Count > 0 ? $", without {string.Join(", ", Missing.Select(c => c.Code))}" : ""),
                $"{Exposure}"
            ),
            new(
                "Effective limit",
                $"standing {StandingLimit} + uplift {Money.FromMinor(Uplift, Group.Currency)}",
                $"{EffectiveLimit}"
            ),
            new("Headroom", $"{EffectiveLimit} − {Exposure}", $"{Headroom}"),
        ];

    /// <summary>The most accounts that workings list one by one.</summary>
    private const int MostListed = 100;

    /// <summary>The parts that workings list: all of a small group, the largest of a large one.</summary>
    internal static IReadOnlyList<T> Largest<T>(IReadOnlyList<T> parts, Func<T, long> minor) =>
        parts.Count <= MostListed ? parts : [.. parts.OrderByDescending(p => Math.Abs(minor(p))).Take(MostListed)];

    /// <summary>One line for all parts that workings do not list.</summary>
    internal static IEnumerable<Working> Others<T>(IReadOnlyList<T> parts, Func<T, long> minor, Currency currency)
    {
        if (parts.Count <= MostListed)
            yield break;
        var listed = Largest(parts, minor).Sum(minor);
        yield return new(
            $"{parts.Count - MostListed} others",
            "all with less than those above",
            $"{Money.FromMinor(parts.Sum(minor) - listed, currency)}"
        );
    }

    private static string Text(AccountPosition p) =>
        $"{p.Account.Name}, {Money.FromMinor(p.Exposure, p.Account.Currency)} {p.Account.Currency.Code}";
}
