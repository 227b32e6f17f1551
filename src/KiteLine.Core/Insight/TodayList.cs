namespace KiteLine.Core;

/// <summary>The controller's queue: what needs a decision, the most money at risk first.</summary>
public static class TodayList
{
    /// <summary>Ranks everything that needs a decision on a day.</summary>
    /// <param name="settings">What counts towards exposure on the day.</param>
    public static IReadOnlyList<TodayEntry> Of(
        IEnumerable<AccountPosition> positions,
        IEnumerable<GroupPosition> groups,
        IEnumerable<HeldOrder> held,
        IEnumerable<WaitingRequest> requests,
        DateOnly day,
        ExposureSettings settings,
        Currency home,
        ExchangeRates rates
    )
    {
        ArgumentNullException.ThrowIfNull(positions);
        ArgumentNullException.ThrowIfNull(groups);
        ArgumentNullException.ThrowIfNull(held);
        ArgumentNullException.ThrowIfNull(requests);
        ArgumentNullException.ThrowIfNull(rates);
        var entries = new List<TodayEntry>();
        var byCode = new Dictionary<string, AccountPosition>(StringComparer.OrdinalIgnoreCase);
        foreach (var p in positions)
        {
            byCode[p.Account.Code] = p;
            foreach (var need in AccountNeed.Of(p, settings))
                Add(p, need.Kind, need.Key, need.Text, need.AtRisk, need.On, null);
        }

        foreach (var group in groups.Where(g => g.HasLimit))
        {
            if (group.Headroom.Minor < 0)
                AddGroup(
                    group,
                    TodayKind.OverLimit,
                    $"Over its limit by {-group.Headroom} {group.Group.Currency.Code}",
                    -group.Headroom,
                    null
                );
            if (GroupForecast.IfPasses(group, settings, rates) is { PassesOn: { } on } forecast)
            {
                var beyond = Money.FromMinor(forecast.Course.First(d => d.Day == on).Beyond, group.Group.Currency);
                AddGroup(
                    group,
                    TodayKind.WillPass,
                    $"Expected to pass its limit by {beyond} {beyond.Currency.Code}",
                    beyond,
                    on
                );
            }

            if (group.ReviewLapsed)
                AddGroup(
                    group,
                    TodayKind.ReviewLapsed,
                    "The review of its limit has lapsed",
                    group.Exposure,
                    group.Limit!.ReviewOn
                );
        }

        foreach (var order in held)
            if (byCode.TryGetValue(order.Account, out var p))
                Add(
                    p,
                    TodayKind.HeldOrder,
                    $"order:{order.Id}",
                    $"Order {order.Number} is held: {order.Findings}",
                    order.Held,
                    order.Date,
                    order.Id
                );
        foreach (var r in requests)
            entries.Add(
                new(
                    TodayKind.Approval,
                    $"request:{r.Id}",
                    r.About,
                    r.Name,
                    !r.OfGroup && byCode.TryGetValue(r.About, out var p) ? p.Account.Owner : "",
                    r.OfGroup,
                    $"{r.AskedBy} asks for a limit of {r.Resulting} {r.Resulting.Currency.Code}",
                    r.More,
                    AtHome(r.More),
                    r.AskedOn,
                    r.Id
                )
            );
        return
        [
            .. entries
                .OrderByDescending(e => e.AtRiskAtHome)
                .ThenBy(e => e.Kind)
                .ThenBy(e => e.About, StringComparer.OrdinalIgnoreCase),
        ];

        void Add(
            AccountPosition p,
            TodayKind kind,
            string key,
            string text,
            Money atRisk,
            DateOnly? on,
            long? number
        ) =>
            entries.Add(
                new(
                    kind,
                    key,
                    p.Account.Code,
                    p.Account.Name,
                    p.Account.Owner,
                    false,
                    text,
                    atRisk,
                    AtHome(atRisk),
                    on,
                    number
                )
            );

        void AddGroup(GroupPosition g, TodayKind kind, string text, Money atRisk, DateOnly? on) =>
            entries.Add(
                new(
                    kind,
                    $"group-{kind}:{g.Group.Name}{(on is { } d ? $":{d:yyyy-MM-dd}" : "")}",
                    g.Group.Name,
                    g.Group.Name,
                    "",
                    true,
                    text,
                    atRisk,
                    AtHome(atRisk),
                    on,
                    null
                )
            );

        decimal AtHome(Money amount) => (rates.Convert(amount, home, day) ?? amount).Amount;
    }
}
