using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Reads groups for the board, for one group’s page and for a file.</summary>
internal static class GroupReader
{
    private const int MostMembers = 200;

    // A course has a point for each day that its picture can show, of a large group fewer: every one takes the position
    // of every account.
    private const int PositionsOfCourse = 60_000;

    /// <param name="Matching">How many of its accounts hold to what was asked for.</param>
    internal sealed record Found(GroupPosition Position, int Matching, Money? Change);

    internal static (DateOnly Day, AgeingBuckets Buckets, List<Found> Groups) Find(BoardQuery query, Desk desk)
    {
        var (board, found, buckets, since) = BoardEndpoints.Find(query, desk, out _, out _);
        var book = desk.Snapshots.Current;
        var ids = found.Select(p => p.Account.Id).ToHashSet();
        var all = found.Count == board.Rows.Count;
        var groups = new List<Found>();
        foreach (var group in book.Groups.Values.OrderBy(g => g.Name, StringComparer.OrdinalIgnoreCase))
        {
            var matching = book.MembersOf(group, board.Day).Count(a => ids.Contains(a.Id));
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

    internal static IResult Export(string? format, BoardQuery query, Desk desk)
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
                    p.HasLimit ? p.StandingLimit.Amount : (decimal?)null,
                    Money.FromMinor(p.Uplift, p.Group.Currency).Amount,
                    p.Exposure.Amount,
                    p.HasLimit ? p.Headroom.Amount : (decimal?)null,
                    p.Overdue.Amount,
                    p.Limit?.ReviewOn?.ToString("O") ?? "",
                    string.Join(", ", p.Missing.Select(c => c.Code)),
                    g.Change?.Amount,
                ];
        });
        return Tables.File(format, header, rows, "Groups", $"groups-{day:yyyy-MM-dd}");
    }

    internal static GroupView View(string name, DateOnly day, Desk desk, Actor who) =>
        desk.Books.Read(c => View(c, desk.Snapshots.Current, name, day, desk.Today(), who));

    /// <summary>A group as a running transaction leaves it.</summary>
    internal static GroupView View(Tx tx, string name) =>
        View(tx.Connection, Book(tx.Connection, name), name, tx.BusinessDate(), tx.BusinessDate(), tx.Actor);

    // What a group stands on as a running transaction leaves it: its own accounts and all groups.
    private static BookSnapshot Book(SqliteConnection connection, string name)
    {
        var settings = CompanyStore.Settings(connection);
        var members = GroupStore.Members(connection, name);
        return new(
            0,
            settings,
            members.Count == 0 ? [] : BookLoader.Load(connection, members),
            GroupLoader.Load(connection),
            RateStore.Rates(connection, settings),
            CalendarInForce.Of(connection, settings).Calendar
        );
    }

    private static GroupView View(
        SqliteConnection c,
        BookSnapshot book,
        string name,
        DateOnly day,
        DateOnly today,
        Actor who
    )
    {
        var group = book.Groups.GetValueOrDefault(name) ?? throw new NotThereException("group", name);
        var position = book.PositionOf(group, day);
        var buckets = book.Settings.Buckets();
        var first = day.AddMonths(-18);
        var stored = GroupStore.Get(c, name);
        var holder = LimitHolder.Of(stored);
        return new GroupView(
            GroupRow.Of(position, stored.Version, buckets),
            [.. Shown(position.Parts).Select(p => new GroupMember(AccountRow.Of(p.Position, buckets), p.Exposure))],
            [.. LimitStore.History(c, holder).Select(LimitEventView.Of)],
            [.. LimitDesk.Of(c, holder, today).Select(r => LimitRequestView.Of(r, who))],
            position.Workings(),
            [
                .. LimitReader
                    .Days(first, day, Math.Clamp(PositionsOfCourse / Math.Max(1, position.Parts.Count), 20, 200))
                    .Select(d => (Day: d, At: book.PositionOf(group, d)))
                    .Select(x => new CoursePoint(x.Day, x.At.EffectiveLimit, x.At.Exposure)),
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
            f.PassesOn,
            position.HasLimit && position.Headroom.Minor < 0,
            [.. f.Course.Select(d => CoursePoint.Of(d, position.Group.Currency))],
            f.Workings()
        );
    }

    internal static DateOnly Day(string? asOf, Desk desk) => Fields.Day("asOf", asOf, desk.Today());
}
