using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Groups of accounts with a limit of their own.</summary>
internal static class GroupEndpoints
{
    private const int MostMembers = 200;

    // A course has a point for each day that its picture can show, of a large group fewer: every one takes the position
    // of every account.
    private const int PositionsOfCourse = 60_000;

    internal static void MapGroups(this RouteGroupBuilder api)
    {
        var groups = api.MapGroup("/groups").WithTags("Groups");
        groups
            .MapGet(
                "/",
                ([AsParameters] BoardQuery query, Desk desk) =>
                {
                    var versions = desk.Books.Read(GroupStore.All).ToDictionary(g => g.Name, g => g.Version);
                    var (_, buckets, found) = Find(query, desk);
                    return found
                        .Select(f =>
                            GroupRow.Of(
                                f.Position,
                                versions.GetValueOrDefault(f.Position.Group.Name),
                                buckets,
                                f.Matching,
                                f.Change
                            )
                        )
                        .ToList();
                }
            )
            .By(Role.Viewer)
            .WithName("listGroups")
            .WithSummary(
                "Groups with exposure and limit on a day; with conditions of the board those that have an account "
                    + "which holds to them"
            )
            .ProducesProblem(400);
        api.MapGet(
                "/group-export",
                (string? format, [AsParameters] BoardQuery query, Desk desk) => Export(format, query, desk)
            )
            .WithTags("Groups")
            .By(Role.Viewer)
            .WithName("exportGroups")
            .WithSummary("Groups as CSV or XLSX")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
        groups
            .MapGet(
                "/{name}",
                (string name, string? asOf, Desk desk, HttpContext context) =>
                    View(name, Day(asOf, desk), desk, context)
            )
            .By(Role.Viewer)
            .WithName("getGroup")
            .WithSummary("One group: its accounts, limit history, workings and course")
            .ProducesProblem(400)
            .ProducesProblem(404);
        groups
            .MapPost(
                "/",
                (GroupRequest request, Desk desk, HttpContext context) =>
                {
                    var fields = new Fields();
                    var name = fields.Text("name", request.Name, "the group's name", 100);
                    var currency = string.IsNullOrWhiteSpace(request.Currency)
                        ? null
                        : fields.Currency("currency", request.Currency);
                    fields.ThrowIfAny();
                    return desk.Write(
                        context,
                        tx =>
                        {
                            var group = GroupStore.Add(tx, name, currency, request.Parent ?? "");
                            return View(
                                tx.Connection,
                                Book(tx.Connection, group.Name),
                                group.Name,
                                tx.BusinessDate(),
                                context
                            );
                        }
                    );
                }
            )
            .By(Role.Controller)
            .WithName("addGroup")
            .WithSummary("Adds a group")
            .ProducesProblem(400);
        groups
            .MapPut(
                "/{name}",
                (string name, GroupRequest request, Desk desk, HttpContext context) =>
                {
                    var version = context.Version();
                    return desk.Write(
                        context,
                        tx =>
                        {
                            var before = GroupStore.Get(tx.Connection, name);
                            var fields = new Fields();
                            var currency = string.IsNullOrWhiteSpace(request.Currency)
                                ? before.Currency
                                : fields.Currency("currency", request.Currency);
                            fields.ThrowIfAny();
                            GroupStore.Change(
                                tx,
                                name,
                                currency,
                                request.Parent ?? before.Parent,
                                version,
                                request.Reason ?? ""
                            );
                            return View(
                                tx.Connection,
                                Book(tx.Connection, before.Name),
                                before.Name,
                                tx.BusinessDate(),
                                context
                            );
                        }
                    );
                }
            )
            .By(Role.Controller)
            .WithName("changeGroup")
            .WithSummary("Changes currency or parent of a group; needs If-Match")
            .ProducesProblem(400)
            .ProducesProblem(404)
            .ProducesProblem(412);
        groups
            .MapPost(
                "/{name}/limit",
                (string name, LimitRequestBody request, Desk desk, HttpContext context) =>
                    LimitEndpoints.Propose(desk, context, c => LimitHolder.Of(GroupStore.Get(c, name)), request, false)
            )
            .By(Role.Controller)
            .WithName("changeGroupLimit")
            .WithSummary("Sets the group's standing limit from a day on, or asks for it above one's authority")
            .ProducesProblem(400)
            .ProducesProblem(404);
        groups
            .MapPost(
                "/{name}/uplift",
                (string name, LimitRequestBody request, Desk desk, HttpContext context) =>
                    LimitEndpoints.Propose(desk, context, c => LimitHolder.Of(GroupStore.Get(c, name)), request, true)
            )
            .By(Role.Controller)
            .WithName("grantGroupUplift")
            .WithSummary("Adds to the group's limit for a time, or asks for it above one's authority")
            .ProducesProblem(400)
            .ProducesProblem(404);
        groups
            .MapPost(
                "/{name}/uplifts/{id:long}/end",
                (string name, long id, ReasonRequest request, Desk desk, HttpContext context) =>
                    LimitEndpoints.End(desk, context, c => LimitHolder.Of(GroupStore.Get(c, name)), id, request)
            )
            .By(Role.Controller)
            .WithName("endGroupUplift")
            .WithSummary("Ends a group's uplift before its last day")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    /// <param name="Matching">How many of its accounts hold to what was asked for.</param>
    private sealed record Found(GroupPosition Position, int Matching, Money? Change);

    private static (DateOnly Day, AgeingBuckets Buckets, List<Found> Groups) Find(BoardQuery query, Desk desk)
    {
        var (board, found, buckets, since) = BoardEndpoints.Find(query, desk, out _, out _);
        var book = desk.Snapshots.Current;
        var ids = found.Select(p => p.Account.Id).ToHashSet();
        var all = found.Count == board.Rows.Count;
        var groups = new List<Found>();
        foreach (var group in book.Groups.Values.OrderBy(g => g.Name, StringComparer.OrdinalIgnoreCase))
        {
            var matching = book.MembersOf(group).Count(a => ids.Contains(a.Id));
            if (matching == 0 && !all)
                continue;
            var position = book.PositionOf(group, board.Day);
            groups.Add(
                new(
                    position,
                    matching,
                    since is null ? null : position.Exposure - book.PositionOf(group, since.Day).Exposure
                )
            );
        }

        return (board.Day, buckets, groups);
    }

    private static IResult Export(string? format, BoardQuery query, Desk desk)
    {
        string[] header =
        [
            "Group",
            "Part of",
            "Currency",
            "Accounts",
            "Shown",
            "Limit",
            "Uplift",
            "Exposure",
            "Headroom",
            "Overdue",
            "Review",
            "No rate for",
            "Change",
        ];
        var (day, _, groups) = Find(query, desk);
        var rows = groups.Select(g =>
        {
            var p = g.Position;
            return (IReadOnlyList<object?>)
                [
                    p.Group.Name,
                    p.Group.Parent,
                    p.Group.Currency.Code,
                    (decimal)p.Parts.Count,
                    (decimal)g.Matching,
                    p.HasLimit ? p.StandingLimit.Amount : null,
                    Money.FromMinor(p.Uplift, p.Group.Currency).Amount,
                    p.Exposure.Amount,
                    p.HasLimit ? p.Headroom.Amount : null,
                    p.Overdue.Amount,
                    p.Limit?.ReviewOn?.ToString("O") ?? "",
                    string.Join(", ", p.Missing.Select(c => c.Code)),
                    g.Change?.Amount,
                ];
        });
        return Tables.File(format, header, rows, "Groups", $"groups-{day:yyyy-MM-dd}");
    }

    private static GroupView View(string name, DateOnly day, Desk desk, HttpContext context) =>
        desk.Books.Read(c => View(c, desk.Snapshots.Current, name, day, context));

    // What a group stands on as a running transaction leaves it: its own accounts and all groups.
    private static BookSnapshot Book(SqliteConnection connection, string name)
    {
        var settings = CompanyStore.Settings(connection);
        var members = GroupStore.Members(connection, name);
        return new(
            0,
            settings,
            members.Count == 0 ? [] : BookLoader.Load(connection, members),
            BookLoader.Groups(connection),
            RateStore.Rates(connection, settings),
            CalendarInForce.Of(connection, settings).Calendar
        );
    }

    private static GroupView View(SqliteConnection c, BookSnapshot book, string name, DateOnly day, HttpContext context)
    {
        var group = book.Groups.GetValueOrDefault(name) ?? throw new NotThereException("group", name);
        var position = book.PositionOf(group, day);
        var buckets = book.Settings.Buckets();
        var first = day.AddMonths(-18);
        var stored = GroupStore.Get(c, name);
        var holder = LimitHolder.Of(stored);
        return new GroupView(
            GroupRow.Of(position, stored.Version, buckets),
            [
                .. Shown(position.Parts)
                    .Select(p => new GroupMember(AccountRow.Of(p.Position, buckets), p.Exposure?.ToString())),
            ],
            [.. LimitStore.History(c, holder).Select(LimitEventView.Of)],
            [
                .. LimitDesk
                    .Of(
                        c,
                        holder,
                        CompanyStore.BusinessDate(
                            book.Settings,
                            context.RequestServices.GetRequiredService<Desk>().Books.Clock
                        )
                    )
                    .Select(r => LimitRequestView.Of(r, context.Who().Name)),
            ],
            position.Workings(),
            [
                .. LimitEndpoints
                    .Days(first, day, Math.Clamp(PositionsOfCourse / Math.Max(1, position.Parts.Count), 20, 200))
                    .Select(d => (Day: d, At: book.PositionOf(group, d)))
                    .Select(x => new CoursePoint($"{x.Day:yyyy-MM-dd}", $"{x.At.EffectiveLimit}", $"{x.At.Exposure}")),
            ],
            Forecast(position, book)
        );
    }

    // A large group is looked at on the board; here its largest accounts stand, in the order of their codes.
    private static IEnumerable<GroupPart> Shown(IReadOnlyList<GroupPart> parts) =>
        parts.Count <= MostMembers
            ? parts
            : parts
                .OrderByDescending(p => p.Exposure?.Minor ?? 0)
                .Take(MostMembers)
                .OrderBy(p => p.Position.Account.Code, StringComparer.OrdinalIgnoreCase);

    private static GroupForecastView Forecast(GroupPosition position, BookSnapshot book)
    {
        var f = GroupForecast.Of(position, book.Settings.ExposureOn(position.Day), book.Rates);
        return new(
            f.PassesOn?.ToString("O"),
            position.HasLimit && position.Headroom.Minor < 0,
            [.. f.Course.Select(d => CoursePoint.Of(d, position.Group.Currency))],
            f.Workings()
        );
    }

    private static DateOnly Day(string? asOf, Desk desk)
    {
        var day = Fields.Day("asOf", asOf, desk.Today());
        return day;
    }
}
