using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The past under other terms, charges, reminders, limits or check rules.</summary>
internal static class WhatIfEndpoints
{
    // Of one account so many lines are told.
    private const int MostLines = 2000;

    internal static void MapWhatIfs(this RouteGroupBuilder api)
    {
        var all = api.MapGroup("/what-ifs").WithTags("Insight");
        all.MapGet(
                "/",
                (Desk desk) =>
                    desk.Books.Read(c =>
                        (IReadOnlyList<WhatIfView>)
                            [.. WhatIfStore.All(c).Select(w => WhatIfViews.Of(w, c, desk, accounts: false))]
                    )
            )
            .By(Role.Viewer)
            .WithName("listWhatIfs")
            .WithSummary("What-ifs, the latest first");
        all.MapPost("/", Add)
            .By(Role.Controller)
            .WithName("addWhatIf")
            .WithSummary("Replays a period under other rules behind the scenes, and keeps what it comes to")
            .ProducesProblem(400);
        var one = all.MapGroup("/{id:long}");
        one.MapGet("/", (long id, Desk desk) => desk.Books.Read(c => WhatIfViews.Of(WhatIfStore.Get(c, id), c, desk)))
            .By(Role.Viewer)
            .WithName("getWhatIf")
            .WithSummary("A what-if, what happened beside what would have, and the accounts that differ most")
            .ProducesProblem(404);
        one.MapGet("/accounts/{code}", Lines)
            .By(Role.Viewer)
            .WithName("getReplayedAccount")
            .WithSummary("What happened on one account beside what would have, line by line")
            .ProducesProblem(404);
        one.MapGet("/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportWhatIf")
            .WithSummary("The what-if as CSV, XLSX or PDF")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400)
            .ProducesProblem(404);
        one.MapPost("/stop", Stop)
            .By(Role.Controller)
            .WithName("stopWhatIf")
            .WithSummary("Stops the work on a what-if")
            .ProducesProblem(404);
        one.MapDelete("/", Drop)
            .By(Role.Controller)
            .WithName("dropWhatIf")
            .WithSummary("Drops a what-if")
            .ProducesProblem(404);
    }

    private static WhatIfView Add(WhatIfRequest request, Desk desk, HttpContext context) =>
        desk.Write(
            context,
            tx =>
                WhatIfViews.Of(
                    WhatIfStore.Add(tx, request.Name ?? "", WhatIfReader.Read(request, tx.Connection, desk)),
                    tx.Connection,
                    desk
                )
        );

    private static WhatIfView Stop(long id, Desk desk, HttpContext context)
    {
        var stopped = desk.Write(
            context,
            tx =>
            {
                WhatIfStore.Get(tx.Connection, id);
                WhatIfStore.Finish(tx, id, WhatIfState.Stopped, null);
                return WhatIfViews.Of(WhatIfStore.Get(tx.Connection, id), tx.Connection, desk);
            }
        );
        desk.WhatIfs.Stop(id);
        return stopped;
    }

    private static IReadOnlyList<WhatIfView> Drop(long id, Desk desk, HttpContext context)
    {
        var left = desk.Write(
            context,
            tx =>
            {
                WhatIfStore.Drop(tx, id);
                return (IReadOnlyList<WhatIfView>)
                    [
                        .. WhatIfStore
                            .All(tx.Connection)
                            .Select(w => WhatIfViews.Of(w, tx.Connection, desk, accounts: false)),
                    ];
            }
        );
        desk.WhatIfs.Stop(id);
        return left;
    }

    private static ReplayedAccountLinesView Lines(long id, string code, Desk desk)
    {
        var account = desk.Snapshots.Current.Find(code) ?? throw new NotThereException("account", code);
        var definition = desk.Books.Read(c => WhatIfStore.Get(c, id).Definition);
        var lines = new WhatIfReplay(definition, desk).One(account).Lines;
        return new ReplayedAccountLinesView(
            account.Code,
            account.Name,
            account.Currency.Code,
            lines.Count,
            [
                .. lines
                    .OrderByDescending(l => l.ByOwnRules is not null)
                    .ThenByDescending(l => l.Differs)
                    .ThenBy(l => l.Kind)
                    .ThenByDescending(l => l.Day)
                    .Take(MostLines)
                    .Select(l => new ReplayedLineView(
                        l.Kind,
                        l.Day,
                        l.About,
                        l.Happened,
                        l.Would,
                        l.Why,
                        l.ByHand,
                        l.ByOwnRules,
                        l.Differs
                    )),
            ]
        );
    }

    private static IResult File(long id, string? format, Desk desk) =>
        Reports.File(
            format,
            WhatIfReport.Of(desk.Books.Read(c => WhatIfViews.Of(WhatIfStore.Get(c, id), c, desk))),
            $"what-if-{id}",
            desk
        );
}
