namespace KiteLine.Core;

/// <summary>
/// The exposure expected of a group over the next days against its own limit: the forecasts of its accounts added up,
/// each converted with the rate of the day on which the forecast is made and rounded once a day.
/// </summary>
public sealed class GroupForecast
{
    private readonly IReadOnlyList<(GroupPart Part, Forecast Forecast, Money Then)> _parts;

    private GroupForecast(
        GroupPosition now,
        ForecastDay[] course,
        IReadOnlyList<(GroupPart Part, Forecast Forecast, Money Then)> parts
    )
    {
        Now = now;
        Course = course;
        _parts = parts;
        PassesOn = !now.HasLimit || now.Headroom.Minor < 0 ? null : ForecastDay.FirstBeyond(course)?.Day;
    }

    /// <summary>Where the group stands at the beginning.</summary>
    public GroupPosition Now { get; }

    /// <summary>The day itself and the sixty after it, in minor units of the group's currency.</summary>
    public IReadOnlyList<ForecastDay> Course { get; }

    /// <summary>
    /// The first day on which the group's limit is passed; null when it will not be, is passed already, or the group
    /// has none.
    /// </summary>
    public DateOnly? PassesOn { get; }

    /// <summary>
    /// The forecast of a group that may pass its limit; null where nothing can raise its exposure or lower its limit,
    /// which spares most groups the work.
    /// </summary>
    public static GroupForecast? IfPasses(GroupPosition now, ExposureSettings settings, ExchangeRates rates)
    {
        ArgumentNullException.ThrowIfNull(now);
        var moves =
            now.Parts.Any(p => p.Position.Held > 0)
            || ForecastDay.LimitMayFall(now.Group.Limits, now.Group.Uplifts, now.Day);
        return moves && now.HasLimit && Of(now, settings, rates) is { PassesOn: not null } forecast ? forecast : null;
    }

    /// <summary>
    /// Works it out from where the group stands. Accounts without a rate of the day are left out, as they are of the
    /// group's exposure.
    /// </summary>
    public static GroupForecast Of(GroupPosition now, ExposureSettings settings, ExchangeRates rates)
    {
        ArgumentNullException.ThrowIfNull(now);
        ArgumentNullException.ThrowIfNull(rates);
        var (group, today) = (now.Group, now.Day);
        var counted = now
            .Parts.Where(p => p.Exposure is not null)
            .Select(p => (Part: p, Forecast: Forecast.Of(p.Position, settings)))
            .ToArray();
        Money Converted(Forecast f, int day) =>
            rates
                .Convert(Money.FromMinor(f.Course[day].Exposure, f.Now.Account.Currency), group.Currency, today)!
                .Value;
        ForecastDay[] course =
        [
            .. Enumerable
                .Range(0, Forecast.Days + 1)
                .Select(d =>
                    ForecastDay.On(
                        today.AddDays(d),
                        counted.Sum(c => Converted(c.Forecast, d).Minor),
                        group.Limits,
                        group.Uplifts,
                        today
                    )
                ),
        ];
        return new(now, course, [.. counted.Select(c => (c.Part, c.Forecast, Converted(c.Forecast, Forecast.Days)))]);
    }

    /// <summary>Lists each account's exposure now and at the end, then the sum and the limit.</summary>
    public IReadOnlyList<Working> Workings()
    {
        var (first, last) = (Course[0], Course[^1]);
        Money Text(long minor) => Money.FromMinor(minor, Now.Group.Currency);
        return
        [
            .. GroupPosition
                .Largest(_parts, p => p.Then.Minor)
                .Select(p => new Working(
                    p.Part.Position.Account.Code,
                    $"{p.Part.Position.Account.Name}, {p.Part.Exposure} on {Exactly.Day(first.Day)}; its own forecast "
                        + $"says how it gets there",
                    $"{p.Then}"
                )),
            .. GroupPosition.Others(_parts, p => p.Then.Minor, Now.Group.Currency),
            new("Exposure now", $"at the end of {Exactly.Day(first.Day)}", $"{Text(first.Exposure)}"),
            new("Exposure then", $"sum of the above, at the end of {Exactly.Day(last.Day)}", $"{Text(last.Exposure)}"),
            new("Limit then", $"at the end of {Exactly.Day(last.Day)}", $"{Text(last.Limit)}"),
        ];
    }
}
