using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The board of all accounts, and its export.</summary>
internal static class BoardEndpoints
{
    private static readonly string[] Header =
    [
        "Code",
        "Name",
        "Currency",
        "State",
        "Limit",
        "Uplift",
        "Exposure",
        "Headroom",
        "Overdue",
        "Orders",
        "Owner",
        "Group",
        "Held",
        "Not cleared",
        "Disputed",
        "Source",
        "Insured",
        "Review",
        "Oldest days",
        "Promise",
        "Passes limit on",
        "Change",
    ];

    internal static void MapBoard(this RouteGroupBuilder api)
    {
        api.MapGet("/accounts", ([AsParameters] BoardQuery query, Desk desk) => Page(query, desk))
            .WithTags("Insight")
            .By(Role.Viewer)
            .WithName("listAccounts")
            .WithSummary("The board: accounts with exposure, limit, headroom and ageing")
            .ProducesProblem(400);
        api.MapGet(
                "/accounts/export",
                (string? format, [AsParameters] BoardQuery query, Desk desk) => Export(format, query, desk)
            )
            .WithTags("Insight")
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportAccounts")
            .WithSummary("What the board shows, as CSV or XLSX")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
    }

    private static BoardView Page(BoardQuery query, Desk desk)
    {
        var (board, found, buckets, since) = Find(query, desk, out var page, out var size);
        return new(
            found.Count,
            [.. found.Skip((page - 1) * size).Take(size).Select(p => AccountRow.Of(p, buckets, Change(p, since)))],
            board.Rows.Count,
            board.Day,
            buckets.Names,
            board.Counts,
            [
                .. board.Totals.Select(t => new TotalView(
                    t.Currency.Code,
                    t.Accounts,
                    new(t.Exposure, t.Currency),
                    new(t.Limit, t.Currency),
                    new(t.Overdue, t.Currency)
                )),
            ]
        );
    }

    private static IResult Export(string? format, BoardQuery query, Desk desk)
    {
        var (board, found, buckets, since) = Find(query, desk, out _, out _);
        string[] header = [.. Header, .. buckets.Names];
        var rows = found.Select(p =>
        {
            decimal Amount(long minor) => Money.FromMinor(minor, p.Account.Currency).Amount;
            return (IReadOnlyList<object?>)
                [
                    p.Account.Code,
                    p.Account.Name,
                    p.Account.Currency.Code,
                    Fields.Name(p.State),
                    Amount(p.StandingLimit),
                    Amount(p.Uplift),
                    Amount(p.Exposure),
                    Amount(p.Headroom),
                    Amount(p.Overdue),
                    Amount(p.Orders),
                    p.Account.Owner,
                    p.Account.Group,
                    Amount(p.Held),
                    Amount(p.Uncleared),
                    Amount(p.Disputed),
                    Fields.Name(p.Limit?.Source ?? LimitSource.OwnAssessment),
                    Amount(p.Limit?.Insured ?? 0),
                    p.Limit?.ReviewOn?.ToString("O") ?? "",
                    (decimal)p.OldestDays,
                    p.Promise is { } promise ? Fields.Name(promise.State) : "",
                    p.PassesOn?.ToString("O") ?? "",
                    Change(p, since) is { } change ? Amount(change) : null,
                    .. p.Ageing.Select(a => (object?)Amount(a)),
                ];
        });
        return Tables.File(format, header, rows, "Accounts", $"accounts-{board.Day:yyyy-MM-dd}");
    }

    private static long? Change(AccountPosition p, Board? since) =>
        since is null ? null : p.Exposure - since.ExposureOf(p.Account.Id);

    /// <summary>What the query finds, whole.</summary>
    internal static (Board Board, IReadOnlyList<AccountPosition> Found, AgeingBuckets Buckets, Board? Since) Find(
        BoardQuery query,
        Desk desk,
        out int page,
        out int size
    )
    {
        var fields = new Fields();
        var day = fields.OptionalDate("asOf", query.AsOf) ?? desk.Today();
        var since = fields.OptionalDate("since", query.Since);
        if (since > day)
            fields.Bad("since", $"Compare with a day up to {Exactly.Day(day)}, the one that is shown.");
        var sort = query.Sort ?? "code";
        var by = fields.Choice("sort", sort.TrimStart('-'), (BoardSort?)BoardSort.Code);
        var filters = (query.Filter ?? "").Split(
            ',',
            StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
        );
        foreach (var unknown in filters.Where(f => BoardFilter.Find(f) is null))
            fields.Bad(
                "filter",
                $"There is no filter ‘{unknown}’; choose among {string.Join(", ", BoardFilter.Names)}."
            );
        (page, size) = fields.Page(query.Page, query.PageSize, 50, 1000);
        Func<AccountPosition, bool>? passes = BoardConditionsReader.Read(query, day, fields, desk) is { } conditions
            ? conditions.Holds
            : null;
        fields.ThrowIfAny();

        var board = desk.Boards.On(day);
        var before = since is { } d ? desk.Boards.On(d) : null;
        var text = query.Q?.Trim() ?? "";
        var found =
            by == BoardSort.Change && before is not null
                ? board.FindByChange(before, sort.StartsWith('-'), filters, text, passes)
                : board.Find(by, sort.StartsWith('-'), filters, text, passes);
        return (board, found, desk.Snapshots.Current.Settings.Buckets(), before);
    }
}
