using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>The controller's queue, and views of the board that are kept.</summary>
internal static class TodayEndpoints
{
    private const int PutOffShown = 500;
    private const int UsualPage = 100;

    internal static void MapToday(this RouteGroupBuilder api)
    {
        var today = api.MapGroup("/today").WithTags("Insight");
        today
            .MapGet(
                "/",
                (string? owner, string? kind, int? page, int? pageSize, string? by, Desk desk, HttpContext context) =>
                    desk.Books.Read(c => View(new(owner, kind, page, pageSize, by), c, desk, context.Who().Name))
            )
            .By(Role.Viewer)
            .WithName("getToday")
            .WithSummary(
                "What needs a decision, the most money at risk first; of all kinds or one, by reason or account, page by page"
            )
            .ProducesProblem(400);
        today
            .MapPost(
                "/put-off",
                (PutOffRequest request, Desk desk, HttpContext context) =>
                {
                    var fields = new Fields();
                    var until = fields.Date("until", request.Until);
                    fields.ThrowIfAny();
                    return desk.Write(
                        context,
                        tx =>
                        {
                            foreach (var entry in request.Entries())
                                PutOffStore.Put(tx, entry, until, request.Reason ?? "");
                            return View(new(), tx.Connection, desk, tx.Who);
                        }
                    );
                }
            )
            .By(Role.Controller)
            .WithName("putOff")
            .WithSummary("Puts one entry or several off to a later day, on which they come back")
            .ProducesProblem(400);
        today
            .MapPost(
                "/take-up",
                (PutOffRequest request, Desk desk, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                        {
                            foreach (var entry in request.Entries())
                                PutOffStore.TakeUp(tx, entry);
                            return View(new(), tx.Connection, desk, tx.Who);
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("takeUp")
            .WithSummary("Takes one entry or several up again before their day")
            .ProducesProblem(404);

        var views = api.MapGroup("/views").WithTags("Insight");
        views
            .MapGet("/", (Desk desk, HttpContext context) => desk.Books.Read(c => Views(c, context.Who())))
            .By(Role.Viewer)
            .WithName("listViews")
            .WithSummary("Views of the board: one's own and those that are shared");
        views
            .MapPost(
                "/",
                (ViewRequest request, Desk desk, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                        {
                            SavedViews.Keep(tx, request.Name ?? "", request.Query ?? "", request.Shared ?? false);
                            return Views(tx.Connection, tx.Actor);
                        }
                    )
            )
            .By(Role.Viewer)
            .WithName("keepView")
            .WithSummary("Keeps a view under a name")
            .ProducesProblem(400);
        views
            .MapPost(
                "/{id:long}/drop",
                (long id, Desk desk, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                        {
                            SavedViews.Drop(tx, id);
                            return Views(tx.Connection, tx.Actor);
                        }
                    )
            )
            .By(Role.Viewer)
            .WithName("dropView")
            .WithSummary("Drops one of one's own views")
            .ProducesProblem(404);
    }

    private static List<SavedViewView> Views(SqliteConnection connection, Actor who) =>
        [
            .. SavedViews
                .For(connection, who)
                .Select(v => new SavedViewView(v.Id, v.Name, v.Query, v.Shared, v.MadeBy, v.Own)),
        ];

    /// <summary>Which entries are asked for.</summary>
    private sealed record Asked(
        string? Owner = null,
        string? Kind = null,
        int? Page = null,
        int? PageSize = null,
        string? By = null
    );

    private static TodayView View(Asked asked, SqliteConnection connection, Desk desk, string who)
    {
        var fields = new Fields();
        var kind = string.IsNullOrWhiteSpace(asked.Kind)
            ? (TodayKind?)null
            : fields.Choice<TodayKind>("kind", asked.Kind);
        var (page, size) = fields.Page(asked.Page, asked.PageSize, UsualPage, 500);
        if (asked.By is not (null or "" or "reason" or "account"))
            fields.Bad("by", "Choose one of reason, account.");
        fields.ThrowIfAny();

        var book = desk.Snapshots.Current;
        var day = desk.Today(book.Settings);
        var home = Currency.Of(book.Settings.BaseCurrency);
        var putOff = PutOffStore.All(connection);
        var (open, off) = (new List<TodayEntry>(), new List<TodayEntry>());
        foreach (var entry in Entries(book, connection, desk.Needs.On(day), day))
            if (asked.Owner is not { Length: > 0 } owner || entry.Owner == owner)
                (putOff.TryGetValue(entry.Key, out var put) && put.Until > day ? off : open).Add(entry);
        TodayEntryView Of(TodayEntry e)
        {
            var put = putOff.GetValueOrDefault(e.Key);
            return new(
                e.Kind,
                e.Key,
                e.About,
                e.Name,
                e.Owner,
                e.OfGroup,
                e.Text,
                e.AtRisk,
                e.AtRisk.Currency.Code,
                Money.Round(e.AtRiskAtHome, home, book.Settings.Rounding),
                e.On,
                e.Number,
                e.Owner == who,
                put?.Until,
                put?.MadeBy
            );
        }

        TodayCallView Call(TodayCall c) =>
            new(
                c.About,
                c.OfGroup,
                c.Name,
                c.Owner,
                c.AtRisk,
                c.AtRisk.Currency.Code,
                Money.Round(c.AtRiskAtHome, home, book.Settings.Rounding),
                [.. c.Reasons.Take(PutOffRequest.Most).Select(Of)],
                c.Reasons.Count
            );

        var matching = kind is { } k ? open.FindAll(e => e.Kind == k) : open;
        var byAccount = asked.By == "account";
        return new(
            day,
            home.Code,
            open.Count,
            ByKind(open.Select(e => e.Kind)),
            byAccount ? [] : [.. matching.Skip((page - 1) * size).Take(size).Select(Of)],
            byAccount ? [] : [.. off.Take(PutOffShown).Select(Of)],
            matching.Count,
            page,
            size,
            off.Count,
            byAccount ? Calls() : null,
            TodayWorkView.Of(connection, desk.Today(book.Settings))
        );

        TodayCallsView Calls()
        {
            var (calls, putOffCalls) = (TodayCalls.Of(open), TodayCalls.Of(off).All);
            var wanted = kind is { } k ? [.. calls.All.Where(c => c.Has(k))] : calls.All;
            return new(
                calls.All.Count,
                Enum.GetValues<TodayKind>().ToDictionary(Fields.Name, x => calls.With(x)),
                wanted.Count,
                [.. wanted.Skip((page - 1) * size).Take(size).Select(Call)],
                [.. putOffCalls.Take(PutOffShown).Select(Call)],
                putOffCalls.Count
            );
        }
    }

    // How many there are of each kind, those of which there is none too.
    private static Dictionary<string, int> ByKind(IEnumerable<TodayKind> kinds)
    {
        var counts = kinds.CountBy(k => k).ToDictionary();
        return Enum.GetValues<TodayKind>().ToDictionary(Fields.Name, k => counts.GetValueOrDefault(k));
    }

    private static IReadOnlyList<TodayEntry> Entries(
        BookSnapshot book,
        SqliteConnection connection,
        TodayNeeds needs,
        DateOnly day
    )
    {
        var held = OrderStore
            .Open(connection, needs.Holding)
            .Where(o => o.Last.Step.Held(day) > 0 && book.Find(o.Account.Code) is not null)
            .Select(o => new HeldOrder(
                o.Id,
                o.Number,
                o.Date,
                book.Find(o.Account.Code)!,
                Money.FromMinor(o.Last.Step.Held(day), o.Account.Currency),
                o.State(day) == OrderState.AwaitingDeposit ? "a deposit is asked for"
                    : o.Last.Step.Until < day ? "its release has lapsed"
                    : Why(o)
            ));
        var waiting = LimitDesk
            .Open(connection, day)
            .Select(r => new WaitingRequest(
                r.Id,
                r.Code ?? r.Name,
                r.Name,
                r.OfGroup ? "" : book.Find(r.Code!)?.Owner ?? "",
                r.OfGroup,
                r.AskedBy,
                r.AskedOn,
                r.Resulting,
                r.Resulting - Standing(book, r, day)
            ));
        return TodayList.Of(needs, book.GroupPositions(day), held, waiting);
    }

    private static Money Standing(BookSnapshot book, LimitRequest r, DateOnly day)
    {
        var (limits, uplifts) = r.OfGroup
            ? book.Groups.TryGetValue(r.Name, out var g)
                ? (g.Limits, g.Uplifts)
                : ([], [])
            : book.Find(r.Code!) is { } a
                ? (a.Limits, a.Uplifts)
                : ([], []);
        return Money.FromMinor(LimitStanding.On(limits, uplifts, day).Effective, r.Currency);
    }

    private static string Why(SalesOrder order)
    {
        var findings = order.Events.LastOrDefault(e => e.Findings.Count > 0)?.Findings ?? [];
        return findings.Count == 0
            ? "it waits for a decision"
            : string.Join(
                "; ",
                findings
                    .Where(f => f.Response == findings.Max(x => x.Response))
                    .Select(f => char.ToLowerInvariant(f.Text[0]) + f.Text[1..])
            );
    }
}
