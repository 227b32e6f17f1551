using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <param name="Key">What the entry is about; put it off by this.</param>
/// <param name="AtRiskAtHome">In the base currency; entries are ranked by it.</param>
internal sealed record TodayEntryView(
    string Kind, string Key, string About, string Name, string Owner, bool OfGroup, string Text, string AtRisk, string Currency, string AtRiskAtHome, string? On, long? Number, bool Mine, string? PutOffUntil, string? PutOffBy);

internal sealed record TodayView(string Day, string BaseCurrency, int Total, IReadOnlyDictionary<string, int> Counts, IReadOnlyList<TodayEntryView> Items, IReadOnlyList<TodayEntryView> PutOff);

internal sealed record PutOffRequest(string? Key, string? Until, string? Reason);

internal sealed record ViewRequest(string? Name, string? Query, bool? Shared);

internal sealed record SavedViewView(long Id, string Name, string Query, bool Shared, string MadeBy, bool Mine);

/// <summary>The controller's queue, and views of the board that are kept.</summary>
internal static class TodayEndpoints
{
    private const int Shown = 500;

    internal static void MapToday(this RouteGroupBuilder api)
    {
        var today = api.MapGroup("/today").WithTags("Today");
        today.MapGet("/", (string? owner, Desk desk, HttpContext context) => View(owner, desk, context.Who().Name)).By(Role.Viewer).WithName("getToday").WithSummary("What needs a decision, the most money at risk first");
        today.MapPost("/put-off", (PutOffRequest request, Desk desk, HttpContext context) =>
        {
            var fields = new Fields();
            var until = fields.Date("until", request.Until);
            fields.ThrowIfAny();
            desk.Books.Write(context.Who(), tx =>
            {
                PutOffStore.Put(tx, request.Key ?? "", until, request.Reason ?? "");
                return 0;
            });
            return View(null, desk, context.Who().Name);
        }).By(Role.Controller).WithName("putOff").WithSummary("Puts an entry off to a later day, on which it comes back").ProducesProblem(400);
        today.MapPost("/take-up", (PutOffRequest request, Desk desk, HttpContext context) =>
        {
            desk.Books.Write(context.Who(), tx =>
            {
                PutOffStore.TakeUp(tx, request.Key ?? "");
                return 0;
            });
            return View(null, desk, context.Who().Name);
        }).By(Role.Controller).WithName("takeUp").WithSummary("Takes an entry up again before its day").ProducesProblem(404);

        var views = api.MapGroup("/views").WithTags("Accounts");
        views.MapGet("/", (Desk desk, HttpContext context) => Views(desk, context)).By(Role.Viewer).WithName("listViews").WithSummary("Views of the board: one's own and those that are shared");
        views.MapPost("/", (ViewRequest request, Desk desk, HttpContext context) =>
        {
            desk.Books.Write(context.Who(), tx =>
            {
                SavedViews.Keep(tx, request.Name ?? "", request.Query ?? "", request.Shared ?? false);
                return 0;
            });
            return Views(desk, context);
        }).By(Role.Viewer).WithName("keepView").WithSummary("Keeps a view under a name").ProducesProblem(400);
        views.MapPost("/{id:long}/drop", (long id, Desk desk, HttpContext context) =>
        {
            desk.Books.Write(context.Who(), tx =>
            {
                SavedViews.Drop(tx, id);
                return 0;
            });
            return Views(desk, context);
        }).By(Role.Viewer).WithName("dropView").WithSummary("Drops one of one's own views").ProducesProblem(404);
    }

    private static List<SavedViewView> Views(Desk desk, HttpContext context) =>
        [.. desk.Books.Read(c => SavedViews.For(c, context.Who().Name)).Select(v => new SavedViewView(v.Id, v.Name, v.Query, v.Shared, v.MadeBy, v.MadeBy == context.Who().Name))];

    private static TodayView View(string? owner, Desk desk, string who)
    {
        var book = desk.Snapshots.Current;
        var day = desk.Today(book.Settings);
        var board = desk.Boards.On(day);
        var home = Currency.Of(book.Settings.BaseCurrency);
        var (orders, requests, putOff) = desk.Books.Read(c => (OrderStore.All(c, false, 0), LimitDesk.Open(c, day), PutOffStore.All(c)));
        var held = orders.Where(o => o.Last.Step.Held(day) > 0).Select(o => new HeldOrder(o.Id, o.Number, o.Date, o.Account.Code, Money.FromMinor(o.Last.Step.Held(day), o.Account.Currency),
            o.State(day) == OrderState.AwaitingDeposit ? "a deposit is asked for" : o.Last.Step.Until < day ? "its release has lapsed" : Why(o)));
        var waiting = requests.Select(r => new WaitingRequest(r.Id, r.Code ?? r.Name, r.Name, r.OfGroup, r.AskedBy, r.AskedOn, r.Resulting,
            r.Resulting - Standing(book, r, day)));
        // Only what the board marks needs a look; most accounts need none.
        var positions = board.Rows.Where(p => p.Headroom < 0 || p.ReviewLapsed || p.PassesOn is not null || p.Account.Promises.Count > 0 || p.Held > 0);
        var entries = TodayList.Of(positions, book.Groups.Values.Select(g => book.PositionOf(g, day)), held, waiting, day, book.Settings.ExposureOn(day), home, book.Rates)
            .Where(e => owner is not { Length: > 0 } || e.Owner == owner).ToList();
        TodayEntryView Of(TodayEntry e)
        {
            var put = putOff.GetValueOrDefault(e.Key);
            return new(Fields.Name(e.Kind), e.Key, e.About, e.Name, e.Owner, e.OfGroup, e.Text, $"{e.AtRisk}", e.AtRisk.Currency.Code, $"{Money.Round(e.AtRiskAtHome, home)}", e.On?.ToString("O"), e.Number, e.Owner == who,
                put?.Until.ToString("O"), put?.MadeBy);
        }

        bool Off(TodayEntry e) => putOff.TryGetValue(e.Key, out var put) && put.Until > day;
        var open = entries.Where(e => !Off(e)).ToList();
        return new($"{day:yyyy-MM-dd}", home.Code, open.Count, Enum.GetValues<TodayKind>().ToDictionary(Fields.Name, k => open.Count(e => e.Kind == k)), [.. open.Take(Shown).Select(Of)], [.. entries.Where(Off).Take(Shown).Select(Of)]);
    }

    private static Money Standing(BookSnapshot book, LimitRequest r, DateOnly day)
    {
        var (limits, uplifts) = r.OfGroup ? book.Groups.TryGetValue(r.Name, out var g) ? (g.Limits, g.Uplifts) : ([], []) : book.Find(r.Code!) is { } a ? (a.Limits, a.Uplifts) : ([], []);
        return (LimitChange.On(limits, day)?.Amount ?? Money.Zero(r.Currency)) + Money.FromMinor(Uplift.On(uplifts, day, day).Sum, r.Currency);
    }

    private static string Why(SalesOrder order)
    {
        var findings = order.Events.LastOrDefault(e => e.Findings.Count > 0)?.Findings ?? [];
        return findings.Count == 0 ? "it waits for a decision" : string.Join("; ", findings.Where(f => f.Response == findings.Max(x => x.Response)).Select(f => char.ToLowerInvariant(f.Text[0]) + f.Text[1..]));
    }
}
