using System.Globalization;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Rates of exchange: typed in, from a file, or from the simulated feed.</summary>
internal static class RateEndpoints
{
    private static readonly string[] Columns = ["date", "currency", "rate"];

    internal static void MapRates(this RouteGroupBuilder api)
    {
        var rates = api.MapGroup("/rates").WithTags("Money");
        rates
            .MapGet("/", (Desk desk) => desk.Books.Read(c => View(c, 0)))
            .By(Role.Viewer)
            .WithName("listRates")
            .WithSummary("Rates of exchange, the latest first: what one unit is worth in the base currency");
        rates
            .MapPost(
                "/",
                (RatesRequest request, Desk desk, HttpContext context) =>
                {
                    var fields = new Fields();
                    var given = (request.Rates ?? [])
                        .Select(
                            (r, i) =>
                                new ExchangeRate(
                                    fields.Currency($"rates[{i}].currency", r.Currency),
                                    fields.Date($"rates[{i}].date", r.Date),
                                    fields.Number($"rates[{i}].rate", r.Rate, 0, 1_000_000, "a rate such as 0.8512"),
                                    Source: "typed"
                                )
                        )
                        .ToList();
                    if (given.Count == 0)
                        fields.Bad("rates", "Give at least one rate.");
                    fields.ThrowIfAny();
                    return desk.Write(context, tx => View(tx.Connection, RateStore.Add(tx, given)));
                }
            )
            .By(Role.Controller)
            .WithName("addRates")
            .WithSummary("Takes down rates of exchange; a later one for the same day corrects it")
            .ProducesProblem(400);
        rates
            .MapPost(
                "/file",
                async (Desk desk, HttpContext context) =>
                {
                    var given = ReadFile(await Body.ReadAsync(context.Request, Bounds.RatesFile, "file"));
                    return Results.Ok(desk.Write(context, tx => View(tx.Connection, RateStore.Add(tx, given))));
                }
            )
            .By(Role.Controller)
            .Heavy()
            .TakesFile(Bounds.RatesFile)
            .WithName("importRates")
            .WithSummary("Rates from a CSV file with date, currency and rate")
            .Accepts<byte[]>("*/*")
            .Produces<RatesView>()
            .ProducesProblem(400);
        rates
            .MapPost(
                "/feed",
                (Desk desk, IRateFeed feed, HttpContext context) =>
                    desk.Write(context, tx => View(tx.Connection, Fetch(tx, feed)))
            )
            .By(Role.Controller)
            .WithName("fetchRates")
            .WithSummary("Fetches what the simulated feed published since the last time")
            .ProducesProblem(400);
    }

    /// <summary>What the simulated feed published since the last rate of it, or in the last month.</summary>
    internal static int Fetch(Tx tx, IRateFeed feed)
    {
        var today = tx.BusinessDate();
        var last =
            RateStore.Latest(tx.Connection, 50).FirstOrDefault(r => r.Source == feed.Name)?.On ?? today.AddDays(-31);
        return RateStore.Add(
            tx,
            feed.Between(last.AddDays(1), today, Currency.Of(CompanyStore.Settings(tx.Connection).BaseCurrency)),
            published: true
        );
    }

    private static RatesView View(Microsoft.Data.Sqlite.SqliteConnection connection, int added) =>
        new(
            CompanyStore.Settings(connection).BaseCurrency,
            added,
            [
                .. RateStore
                    .Latest(connection, 300)
                    .Select(r => new ExchangeRateView(
                        r.Currency.Code,
                        r.On,
                        Exactly.Plain(r.Rate),
                        r.Source,
                        r.Recorded
                    )),
            ]
        );

    private static List<ExchangeRate> ReadFile(byte[] content)
    {
        SheetRows sheet;
        try
        {
            sheet = CsvSheet.Read(content);
        }
        catch (CsvException e)
        {
            throw new RefusedException("file", e.Message);
        }

        var at = Columns
            .Select(name => sheet.Columns.ToList().FindIndex(c => c.Equals(name, StringComparison.OrdinalIgnoreCase)))
            .ToArray();
        if (at.Contains(-1))
            throw new RefusedException("file", "The file has the columns date, currency and rate.");
        var problems = new List<FieldProblem>();
        var rates = new List<ExchangeRate>();
        foreach (var row in sheet.Rows)
        {
            var values = row.Values is null ? null : at.Select(i => row.Values[i].Trim()).ToArray();
            if (
                values is not null
                && DayText.TryRead(values[0], out var day)
                && Currency.TryOf(values[1], out var currency)
                && AmountText.TryRead(values[2], out var rate)
            )
                rates.Add(new(currency, day, rate, Source: "file"));
            else
                problems.Add(
                    new(
                        $"row {row.Line}",
                        $"Row {row.Line} wants a date such as 2026-03-16, an ISO 4217 code and a rate such as 0.8512."
                    )
                );
        }

        if (problems.Count > 0)
            throw new RefusedException([.. problems.Take(50)]);
        return rates.Count > 0
            ? rates
            : throw new RefusedException("file", "The file has a header and no rows below it.");
    }
}
