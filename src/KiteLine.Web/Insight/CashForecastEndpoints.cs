using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The cash expected in the next thirteen weeks, and how the forecast of four weeks ago did.</summary>
internal static class CashForecastEndpoints
{
    // How far back it is looked at what a forecast was worth.
    private const int Former = 4;

    internal static void MapCashForecast(this RouteGroupBuilder api)
    {
        var forecast = api.MapGroup("/cash-forecast").WithTags("Insight");
        forecast
            .MapGet("/", One)
            .By(Role.Viewer)
            .WithName("getCashForecast")
            .WithSummary("Cash expected week by week from due dates, habits, promises and disputes, as shown on a day")
            .ProducesProblem(400);
        forecast
            .MapGet("/items", Items)
            .By(Role.Viewer)
            .WithName("listExpectedCash")
            .WithSummary("The items behind a week, or behind what is in none, the largest amounts first")
            .ProducesProblem(400);
        forecast
            .MapGet("/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportCashForecast")
            .WithSummary("The weeks as CSV, XLSX or PDF")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
    }

    private static (BookSnapshot Book, DateOnly Day, InsightScope Scope) Read(string? asOf, string? within, Desk desk)
    {
        var (book, fields) = (desk.Snapshots.Current, new Fields());
        var day = fields.OptionalDate("asOf", asOf) ?? desk.Today();
        if (day > desk.Today())
            fields.Bad("asOf", $"Give {Exactly.Day(desk.Today())} or an earlier day.");
        var scope = InsightScope.Read(within, null, day, book, fields);
        fields.ThrowIfAny();
        return (book, day, scope);
    }

    private static CashForecastView One(string? asOf, string? within, Desk desk)
    {
        var (book, day, scope) = Read(asOf, within, desk);
        var forecast = CashForecast.Of(scope.Accounts, day, book.Calendar, book.Rates);
        var former = CashForecast.Of(scope.Accounts, day.AddDays(-7 * Former), book.Calendar, book.Rates);
        return new(
            day,
            book.Rates.Base.Code,
            [.. forecast.Weeks.Select(CashWeekView.Of)],
            new(forecast.Weeks.Aggregate(Int128.Zero, (sum, w) => sum + w.Sum.Minor), book.Rates.Base),
            forecast.Later,
            forecast.Disputed,
            forecast.HandedOver,
            [
                .. former
                    .Weeks.Take(Former)
                    .Select(w => new CashComparedView(
                        w.From,
                        w.To,
                        w.Sum,
                        CashReceived.Of(scope.Accounts, w.From, w.To, day, book.Rates)
                    )),
            ],
            [.. forecast.WithoutRate.Select(c => c.Code)]
        );
    }

    private static ExpectedCashesView Items(
        string? asOf,
        string? within,
        int? week,
        string? certainty,
        int? page,
        int? pageSize,
        Desk desk
    )
    {
        var (book, day, scope) = Read(asOf, within, desk);
        var fields = new Fields();
        if (week is < 1 or > CashForecast.Length)
            fields.Bad("week", $"Weeks count from 1 to {CashForecast.Length}.");
        var only = string.IsNullOrEmpty(certainty)
            ? (CashCertainty?)null
            : fields.Choice<CashCertainty>("certainty", certainty);
        var (at, size) = fields.Page(page, pageSize, 100, 1000);
        fields.ThrowIfAny();
        var (total, some) = ExpectedCash.Of(scope.Accounts, day, book.Calendar, week - 1, only, (at - 1) * size, size);
        var documents = desk.Books.Read(c => RunStore.Items(c, [.. some.Select(i => i.Item).Distinct()]));
        return new(
            total,
            [
                .. some.Select(c => new ExpectedCashView(
                    c.Account.Code,
                    c.Account.Name,
                    c.Account.Currency.Code,
                    documents.TryGetValue(c.Item, out var d) ? d.Document : "",
                    c.Due,
                    c.On,
                    c.Certainty,
                    Money.FromMinor(c.Minor, c.Account.Currency)
                )),
            ]
        );
    }

    private static IResult File(string? asOf, string? within, string? format, Desk desk)
    {
        var f = One(asOf, within, desk);
        IReadOnlyList<object?> Only(string name, MoneySum sum) => [name, null, null, null, null, sum.Amount];
        return Reports.File(
            format,
            new(
                "Cash forecast",
                [$"Thirteen weeks after {Exactly.Day(f.AsOf)}, in {f.Currency}"],
                [
                    new("Week from", Width: 1.2f),
                    new("To", Width: 1.2f),
                    new("Promised", Figure: true),
                    new("As usual", Figure: true),
                    new("Late", Figure: true),
                    new("Expected", Figure: true),
                ],
                f.Weeks.Select(w => new ReportRow([
                        w.From,
                        w.To,
                        w.Promised.Amount,
                        w.Usual.Amount,
                        w.Late.Amount,
                        w.Sum.Amount,
                    ]))
                    .Append(new(Only("Thirteen weeks", f.Expected), Strong: true))
                    .Append(new(Only("Later", f.Later), Strong: true))
                    .Append(new(Only("Disputed", f.Disputed), Strong: true))
                    .Append(new(Only("Handed over", f.HandedOver), Strong: true)),
                [.. f.WithoutRate.Select(c => $"Accounts in {c} are left out: there is no rate for the day.")]
            ),
            $"cash-forecast-{f.AsOf:yyyy-MM-dd}",
            desk
        );
    }
}
