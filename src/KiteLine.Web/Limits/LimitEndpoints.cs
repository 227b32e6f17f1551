using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>
/// Limits and uplifts: granting within authority, approval by a second person, suggestions, course and forecast.
/// </summary>
internal static class LimitEndpoints
{
    internal static void MapLimits(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Limits");
        accounts
            .MapPost(
                "/limit",
                (string code, SetLimitRequest request, Desk desk, HttpContext context) =>
                    LimitRunner.Propose(desk, context, c => LimitHolder.Of(AccountStore.Get(c, code)), request, false)
            )
            .By(Role.Controller)
            .WithName("changeLimit")
            .WithSummary("Sets the standing limit from a day on, or asks for it above one's authority")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/uplift",
                (string code, SetLimitRequest request, Desk desk, HttpContext context) =>
                    LimitRunner.Propose(desk, context, c => LimitHolder.Of(AccountStore.Get(c, code)), request, true)
            )
            .By(Role.Controller)
            .WithName("grantUplift")
            .WithSummary("Adds to the limit for a time, or asks for it above one's authority")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/uplifts/{id:long}/end",
                (string code, long id, ReasonRequest request, Desk desk, HttpContext context) =>
                    LimitRunner.End(desk, context, c => LimitHolder.Of(AccountStore.Get(c, code)), id, request)
            )
            .By(Role.Controller)
            .WithName("endUplift")
            .WithSummary("Ends an uplift before its last day")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/suggested-limits",
                (string code, Desk desk) => desk.Read(code, (c, account) => Suggested(c, account, desk))
            )
            .By(Role.Viewer)
            .WithName("suggestLimits")
            .WithSummary("Limits that each method suggests, with workings")
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/agency-report",
                (string code, Desk desk, ICreditAgency agency, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                        {
                            var account = AccountStore.Get(tx.Connection, code);
                            var report =
                                agency.ReportOn(account.Name, account.Currency, tx.BusinessDate())
                                ?? throw new RefusedException(
                                    "account",
                                    $"The agency knows no customer ‘{account.Name}’."
                                );
                            AgencyReports.Keep(tx, account, report);
                            return Suggested(tx.Connection, account, desk);
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("askAgency")
            .WithSummary("Asks the simulated credit agency for a report and keeps it")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/course",
                (string code, string? from, string? to, Desk desk) =>
                {
                    var (first, last) = LimitReader.Span(from, to, desk);
                    return desk.Read(
                        code,
                        (c, account) =>
                        {
                            var book = BookLoader.Load(c, [account.Id])[0];
                            return LimitReader
                                .Days(first, last)
                                .Select(day =>
                                {
                                    var p = AccountPosition.On(book, day, Rules.Positions(c, day));
                                    return new CoursePoint(
                                        day,
                                        Money.FromMinor(p.EffectiveLimit, account.Currency),
                                        Money.FromMinor(p.Exposure, account.Currency)
                                    );
                                })
                                .ToList();
                        }
                    );
                }
            )
            .By(Role.Viewer)
            .WithName("getCourse")
            .WithSummary("Limit and exposure over time, as they were shown on each day")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/forecast",
                (string code, Desk desk) =>
                    desk.Read(
                        code,
                        (c, account) =>
                        {
                            var settings = CompanyStore.Settings(c);
                            var today = desk.Today(settings);
                            var documents = BookLoader.Documents(c, account);
                            var f = Forecast.Of(
                                Rules.Position(c, account, today),
                                settings.ExposureOn(today),
                                i => documents[i]
                            );
                            return new ForecastView(
                                account.Currency.Code,
                                Exactly.Plain(f.DaysLate),
                                f.PassesOn,
                                f.Now.Headroom < 0,
                                [.. f.Course.Select(d => CoursePoint.Of(d, account.Currency))],
                                f.Workings()
                            );
                        }
                    )
            )
            .By(Role.Viewer)
            .WithName("getForecast")
            .WithSummary("The exposure expected over the next sixty days, and when it passes the limit")
            .ProducesProblem(404);

        var requests = api.MapGroup("/limit-requests").WithTags("Limits");
        requests
            .MapGet(
                "/",
                (Desk desk, HttpContext context) =>
                    desk.Books.Read(c =>
                        LimitDesk
                            .Open(c, desk.Today(CompanyStore.Settings(c)))
                            .Select(r => LimitRequestView.Of(r, context.Who()))
                            .ToList()
                    )
            )
            .By(Role.Viewer)
            .WithName("listLimitRequests")
            .WithSummary("Limits and uplifts that wait for approval");
        foreach (var (verb, approve) in new[] { ("approve", true), ("refuse", false) })
            requests
                .MapPost(
                    $"/{{id:long}}/{verb}",
                    (long id, ReasonRequest request, Desk desk, HttpContext context) =>
                        LimitRunner.Answer(desk, context, tx => LimitDesk.Answer(tx, id, approve, request.Reason ?? ""))
                )
                .By(Role.Controller)
                .WithName($"{verb}LimitRequest")
                .WithSummary($"{(approve ? "Approves" : "Refuses")} what somebody else asked for")
                .ProducesProblem(400)
                .ProducesProblem(404);
        requests
            .MapPost(
                "/{id:long}/withdraw",
                (long id, ReasonRequest request, Desk desk, HttpContext context) =>
                    LimitRunner.Answer(desk, context, tx => LimitDesk.Withdraw(tx, id, request.Reason ?? ""))
            )
            .By(Role.Controller)
            .WithName("withdrawLimitRequest")
            .WithSummary("Takes back what one asked for")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static IReadOnlyList<SuggestedLimitView> Suggested(
        Microsoft.Data.Sqlite.SqliteConnection connection,
        Account account,
        Desk desk
    ) => [.. LimitReader.Suggestions(connection, account, desk).Select(SuggestedLimitView.Of)];
}
