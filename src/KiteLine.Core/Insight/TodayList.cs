namespace KiteLine.Core;

/// <summary>The controller's queue: what needs a decision, the most money at risk first.</summary>
public static class TodayList
{
    /// <summary>Ranks everything that needs a decision on the day of a board.</summary>
    /// <param name="needs">What the accounts need on that day.</param>
    /// <param name="groups">Where the groups stand on that day.</param>
    public static IReadOnlyList<TodayEntry> Of(
        TodayNeeds needs,
        IEnumerable<GroupPosition> groups,
        IEnumerable<HeldOrder> held,
        IEnumerable<WaitingRequest> requests
    )
    {
        ArgumentNullException.ThrowIfNull(needs);
        ArgumentNullException.ThrowIfNull(groups);
        ArgumentNullException.ThrowIfNull(held);
        ArgumentNullException.ThrowIfNull(requests);
        var others = groups
            .Where(g => g.HasLimit)
            .SelectMany(g => OfGroup(g, needs))
            .Concat(held.Select(o => OfOrder(o, needs)))
            .Concat(requests.Select(r => OfRequest(r, needs)))
            .ToArray();
        if (others.Length == 0)
            return needs.Ranked;
        Array.Sort(others, TodayRank.Order);
        return TodayRank.Merge(needs.Ranked, others);
    }

    private static IEnumerable<TodayEntry> OfGroup(GroupPosition group, TodayNeeds needs)
    {
        TodayEntry Entry(TodayKind kind, string text, Money atRisk, DateOnly? on) =>
            new(
                kind,
                $"group-{kind}:{group.Group.Name}{(on is { } d ? $":{d:yyyy-MM-dd}" : "")}",
                group.Group.Name,
                group.Group.Name,
                "",
                true,
                text,
                atRisk,
                AtHome(atRisk, needs),
                on,
                null
            );
        if (group.Headroom.Minor < 0)
            yield return Entry(
                TodayKind.OverLimit,
                $"Over its limit by {-group.Headroom} {group.Group.Currency.Code}",
                -group.Headroom,
                null
            );
        if (GroupForecast.IfPasses(group, needs.Board.Rules.Exposure, needs.Rates) is { PassesOn: { } on } forecast)
        {
            var beyond = Money.FromMinor(forecast.Course.First(d => d.Day == on).Beyond, group.Group.Currency);
            yield return Entry(
                TodayKind.WillPass,
                $"Expected to pass its limit by {beyond} {beyond.Currency.Code}",
                beyond,
                on
            );
        }

        if (group.ReviewLapsed)
            yield return Entry(
                TodayKind.ReviewLapsed,
                "The review of its limit has lapsed",
                group.Exposure,
                group.Limit!.ReviewOn
            );
    }

    private static TodayEntry OfOrder(HeldOrder order, TodayNeeds needs) =>
        TodayEntry.Of(
            order.Account,
            TodayKind.HeldOrder,
            $"order:{order.Id}",
            $"Order {order.Number} is held: {order.Findings}",
            order.Held,
            AtHome(order.Held, needs),
            order.Date,
            order.Id
        );

    private static TodayEntry OfRequest(WaitingRequest r, TodayNeeds needs) =>
        new(
            TodayKind.Approval,
            $"request:{r.Id}",
            r.About,
            r.Name,
            r.Owner,
            r.OfGroup,
            $"{r.AskedBy} asks for a limit of {r.Resulting} {r.Resulting.Currency.Code}",
            r.More,
            AtHome(r.More, needs),
            r.AskedOn,
            r.Id
        );

    private static decimal AtHome(Money amount, TodayNeeds needs) =>
        TodayNeeds.AtHome(amount, needs.Home, needs.Rates, needs.Board.Day);
}
