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
                (string code, LimitRequestBody request, Desk desk, HttpContext context) =>
                    Propose(desk, context, c => LimitHolder.Of(AccountStore.Get(c, code)), request, false)
            )
            .By(Role.Controller)
            .WithName("changeLimit")
            .WithSummary("Sets the standing limit from a day on, or asks for it above one's authority")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/uplift",
                (string code, LimitRequestBody request, Desk desk, HttpContext context) =>
                    Propose(desk, context, c => LimitHolder.Of(AccountStore.Get(c, code)), request, true)
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
                    End(desk, context, c => LimitHolder.Of(AccountStore.Get(c, code)), id, request)
            )
            .By(Role.Controller)
            .WithName("endUplift")
            .WithSummary("Ends an uplift before its last day")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/suggested-limits",
                (string code, Desk desk) => desk.Read(code, (c, account) => Suggestions(c, account, desk))
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
                            return Suggestions(tx.Connection, account, desk);
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
                    var (first, last) = Span(from, to, desk);
                    return desk.Read(
                        code,
                        (c, account) =>
                        {
                            var book = BookLoader.Load(c, [account.Id])[0];
                            return Days(first, last)
                                .Select(day =>
                                {
                                    var p = AccountPosition.On(book, day, Rules.Positions(c, day));
                                    return new CoursePoint(
                                        $"{day:yyyy-MM-dd}",
                                        $"{Money.FromMinor(p.EffectiveLimit, account.Currency)}",
                                        $"{Money.FromMinor(p.Exposure, account.Currency)}"
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
                                f.PassesOn?.ToString("O"),
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
                            .Select(r => LimitRequestView.Of(r, context.Who().Name))
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
                        Answer(desk, context, tx => LimitDesk.Answer(tx, id, approve, request.Reason ?? ""))
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
                    Answer(desk, context, tx => LimitDesk.Withdraw(tx, id, request.Reason ?? ""))
            )
            .By(Role.Controller)
            .WithName("withdrawLimitRequest")
            .WithSummary("Takes back what one asked for")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    internal static LimitAnswerView Propose(
        Desk desk,
        HttpContext context,
        Func<SqliteConnection, LimitHolder> holder,
        LimitRequestBody request,
        bool uplift
    ) =>
        desk.Write(
            context,
            tx =>
            {
                var on = holder(tx.Connection);
                var fields = new Fields();
                var amount = fields.Money("amount", request.Amount, on.Currency);
                var from = fields.Date("from", request.From);
                var until = uplift ? fields.Date("until", request.Until) : (DateOnly?)null;
                var reason = fields.Text("reason", request.Reason, "the reason, in a few words");
                var source = fields.Choice("source", request.Source, (LimitSource?)LimitSource.OwnAssessment);
                var insured = fields.OptionalMoney("insured", request.Insured, on.Currency);
                var security = fields.OptionalMoney("securityAmount", request.SecurityAmount, on.Currency);
                var review = fields.OptionalDate("reviewOn", request.ReviewOn);
                fields.ThrowIfAny();
                var reviewOn = uplift
                    ? null
                    : LimitDecision.ReviewOn(review, from, CompanyStore.Settings(tx.Connection).ReviewMonths);
                var asked = LimitDesk.Propose(
                    tx,
                    on,
                    new(
                        amount.Minor,
                        from,
                        until,
                        reason,
                        source,
                        insured.Minor,
                        request.Security?.Trim() ?? "",
                        security.Minor,
                        reviewOn
                    )
                );
                return new LimitAnswerView(
                    asked is null ? "set" : "asked",
                    asked is null ? null : LimitRequestView.Of(asked, tx.Who)
                );
            }
        );

    internal static LimitAnswerView End(
        Desk desk,
        HttpContext context,
        Func<SqliteConnection, LimitHolder> holder,
        long id,
        ReasonRequest request
    ) =>
        desk.Write(
            context,
            tx =>
            {
                LimitStore.EndUplift(tx, holder(tx.Connection), id, request.Reason ?? "");
                return new LimitAnswerView("set", null);
            }
        );

    private static LimitRequestView Answer(Desk desk, HttpContext context, Func<Tx, LimitRequest> act) =>
        desk.Write(context, tx => LimitRequestView.Of(act(tx), tx.Who));

    private static List<SuggestedLimitView> Suggestions(SqliteConnection connection, Account account, Desk desk)
    {
        const int Months = 6;
        var settings = CompanyStore.Settings(connection);
        var today = desk.Today(settings);
        var rates = RateStore.Rates(connection, settings);
        var terms = PolicyStore
            .Find<TermsDefinition>(connection, PolicyKind.Terms, account.Terms)
            ?.Definition.ToTerms();
        var days = terms is null ? 30 : Math.Max(0, terms.Instalments[^1].Due.For(today).DayNumber - today.DayNumber);
        var report = AgencyReports.Latest(connection, account);
        var sales = Money.FromMinor(
            LedgerView.SalesBetween(connection, account, today.AddMonths(-Months).AddDays(1), today),
            account.Currency
        );
        return
        [
            SuggestedLimitView.Of(
                SuggestedLimit.BySales(
                    sales,
                    Months,
                    days,
                    DaysLate.Of(BookLoader.Load(connection, [account.Id])[0], today),
                    settings.Rounding
                )
            ),
            SuggestedLimitView.Of(
                SuggestedLimit.ByAgency(report, account.Currency, m => rates.Convert(m, account.Currency, today))
            ),
            SuggestedLimitView.Of(
                SuggestedLimit.ByNetWorth(
                    report?.NetWorth,
                    settings.NetWorthShare,
                    account.Currency,
                    m => rates.Convert(m, account.Currency, today),
                    settings.Rounding
                )
            ),
        ];
    }

    internal static (DateOnly First, DateOnly Last) Span(string? from, string? to, Desk desk)
    {
        var fields = new Fields();
        var last = fields.OptionalDate("to", to) ?? desk.Today();
        var first = fields.OptionalDate("from", from) ?? last.AddMonths(-18);
        if (first > last || first < last.AddYears(-10))
            fields.Bad("from", "Give a first day before the last, at most ten years earlier.");
        fields.ThrowIfAny();
        return (first, last);
    }

    // At most some four hundred points, the last day always one of them.
    /// <summary>The days of a course, evenly spread, the last one always among them.</summary>
    /// <param name="most">How many points the picture can show.</param>
    internal static IEnumerable<DateOnly> Days(DateOnly first, DateOnly last, int most = 200)
    {
        var step = Math.Max(1, (int)Math.Ceiling((last.DayNumber - first.DayNumber) / (double)most));
        for (var day = first; day < last; day = day.AddDays(step))
            yield return day;
        yield return last;
    }
}
