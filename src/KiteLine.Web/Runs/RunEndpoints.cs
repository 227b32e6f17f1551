using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Runs: late charges and reminders of many accounts, proposed, read, changed, posted and taken back.</summary>
internal static class RunEndpoints
{
    // Of so many accounts the lines are told with the run; the others are asked for by pages.
    private const int Told = 500;

    internal static void MapRuns(this RouteGroupBuilder api)
    {
        var runs = api.MapGroup("/runs").WithTags("Runs");
        runs.MapPost("/", Propose)
            .By(Role.Controller)
            .Heavy()
            .WithName("proposeRun")
            .WithSummary("Works out what a run of late charges or reminders comes to; nothing is posted")
            .ProducesProblem(400)
            .ProducesProblem(404);
        runs.MapGet("/", List)
            .By(Role.Viewer)
            .WithName("listRuns")
            .WithSummary("Runs, the latest first")
            .ProducesProblem(400);
        runs.MapGet("/{id:long}", (long id, bool? lines, Desk desk) => desk.Books.Read(c => View(c, id, lines ?? true)))
            .By(Role.Viewer)
            .WithName("getRun")
            .WithSummary("A run with what it comes to; without lines where lines=false")
            .ProducesProblem(404);
        runs.MapGet("/{id:long}/lines", Lines)
            .By(Role.Viewer)
            .WithName("listRunLines")
            .WithSummary("The items of a run, those of the accounts with the largest amounts first")
            .ProducesProblem(400)
            .ProducesProblem(404);
        runs.MapGet("/{id:long}/accounts", Accounts)
            .By(Role.Viewer)
            .WithName("listRunAccounts")
            .WithSummary("The accounts of a run in one state, those with the largest amounts first")
            .ProducesProblem(400)
            .ProducesProblem(404);
        runs.MapGet("/{id:long}/results", Brought)
            .By(Role.Viewer)
            .Heavy()
            .WithName("getRunResults")
            .WithSummary("What was paid after a run: of its letters by level, or of its charges")
            .ProducesProblem(404);
        runs.MapGet("/{id:long}/accounts/{code}", One)
            .By(Role.Viewer)
            .WithName("getRunAccount")
            .WithSummary("One account of a run with its workings, its journal and what was decided about it")
            .ProducesProblem(404);
        runs.MapGet("/{id:long}/accounts/{code}/letter", Letter)
            .By(Role.Viewer)
            .Heavy()
            .WithName("getRunLetter")
            .WithSummary(
                "The letter of an account as it was issued, or as it would be; its first page where picture=true"
            )
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(400)
            .ProducesProblem(404);
        runs.MapPost("/{id:long}/accounts/{code}", Change)
            .By(Role.Controller)
            .WithName("changeRunAccount")
            .WithSummary(
                "Leaves an account or an item out, takes it in, cuts a charge, or chooses the level of a letter"
            )
            .ProducesProblem(400)
            .ProducesProblem(404);
        runs.MapPost("/{id:long}/post", Post)
            .By(Role.Controller)
            .WithName("postRun")
            .WithSummary("Posts a run in the background, or goes on where it was stopped")
            .ProducesProblem(400)
            .ProducesProblem(404);
        runs.MapPost("/{id:long}/stop", Stop)
            .By(Role.Controller)
            .WithName("stopRun")
            .WithSummary("Stops a run between two accounts")
            .ProducesProblem(400)
            .ProducesProblem(404);
        runs.MapPost("/{id:long}/discard", Discard)
            .By(Role.Controller)
            .WithName("discardRun")
            .WithSummary("Gives a run up of which nothing was posted")
            .ProducesProblem(400)
            .ProducesProblem(404);
        runs.MapPost("/{id:long}/reverse", Reverse)
            .By(Role.Controller)
            .WithName("reverseRun")
            .WithSummary("Takes back in the background all that a run posted")
            .ProducesProblem(400)
            .ProducesProblem(404);
        runs.MapPost("/{id:long}/accounts/{code}/reverse", ReverseOne)
            .By(Role.Controller)
            .WithName("reverseRunAccount")
            .WithSummary("Takes back what a run posted on one account")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    internal static RunKind Kind(Fields fields, string? text, string at = "")
    {
        switch (text?.Trim().ToLowerInvariant())
        {
            case "late-charges":
                return RunKind.LateCharges;
            case "reminders":
                return RunKind.Reminders;
            default:
                fields.Bad(at + "kind", "Give late-charges or reminders.");
                return RunKind.LateCharges;
        }
    }

    private static RunView Propose(RunRequest request, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var kind = Kind(fields, request.Kind);
        var date = fields.OptionalDate("date", request.Date) ?? desk.Today();
        fields.ThrowIfAny();
        var scope = RunScope.Of(request.Accounts, request.Filter, desk);
        var id = desk.Runs.Propose(desk.Books, context.Who(), kind, date, scope.Words, scope.Find);
        return desk.Write(context, tx => View(tx.Connection, id, true));
    }

    private static RunResultsView Brought(long id, Desk desk) =>
        desk.Books.Read(c =>
        {
            var (run, day) = (RunStore.Get(c, id), desk.Today());
            return run.Kind == RunKind.Reminders
                ? new RunResultsView(
                    day,
                    [.. ReminderResult.Of(LetterOutcomes.OfRun(c, id, day)).Select(ReminderResultView.Of)],
                    []
                )
                : new(
                    day,
                    [],
                    [
                        .. RunResults
                            .OfCharges(c, id, day)
                            .Select(r => new ChargeResultView(
                                r.Raised.Currency.Code,
                                r.Documents,
                                r.Raised,
                                r.Paid,
                                r.Waived,
                                r.Open
                            )),
                    ]
                );
        });

    private static RunsView List(int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 50, 200);
        fields.ThrowIfAny();
        return desk.Books.Read(c => new RunsView(
            RunStore.Count(c),
            [.. RunStore.Page(c, (at - 1) * size, size).Select(r => View(c, r.Id, false))]
        ));
    }

    /// <summary>A run as it is told.</summary>
    internal static RunView View(SqliteConnection connection, long id, bool withLines)
    {
        var run = RunStore.Get(connection, id);
        var counts = RunStore.Counts(connection, id);
        IReadOnlyList<StoredRunLine> Some(params RunLineState[] states) =>
            withLines ? RunStore.Page(connection, id, states, 0, Told) : [];
        var lines = Some([.. Enum.GetValues<RunLineState>().Where(s => s != RunLineState.LeftOut)]);
        var leftOut = Some(RunLineState.LeftOut);
        var items = ItemsOf(connection, [.. lines, .. leftOut]);
        return new(
            run.Id,
            run.Kind,
            run.State,
            run.Date,
            run.Scope,
            run.MadeBy,
            run.MadeAt,
            run.LastBy,
            run.LastAt,
            run.Detail,
            run.Send,
            [
                .. counts.Select(c => new RunCountView(
                    c.State,
                    c.Currency,
                    c.Accounts,
                    Money.FromMinor(c.Amount, Currency.Of(c.Currency))
                )),
            ],
            counts
                .Where(c => c.State is not (RunLineState.LeftOut or RunLineState.Reversed))
                .GroupBy(c => c.Currency)
                .ToDictionary(g => g.Key, g => $"{Money.FromMinor(g.Sum(c => c.Amount), Currency.Of(g.Key))}"),
            [.. lines.SelectMany(l => RunLineView.Of(run.Kind, l, items))],
            [.. leftOut.Concat(lines).SelectMany(l => RunLeftOutView.Of(l, items))],
            [.. Enum.GetValues<RunAct>().Where(a => RunRule.May(run.State, a))]
        );
    }

    internal static IReadOnlyDictionary<long, (string Document, DateOnly Due)> ItemsOf(
        SqliteConnection connection,
        IReadOnlyList<StoredRunLine> lines
    ) =>
        RunStore.Items(
            connection,
            [.. lines.SelectMany(l => l.Line.Items.Concat(l.Line.ItemsLeftOut)).Select(i => i.Item).Distinct()]
        );

    private static RunLinesView Lines(long id, int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 100, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c =>
        {
            var run = RunStore.Get(c, id);
            var (total, skip, accounts) = RunStore.LinesPage(c, id, (long)(at - 1) * size, size);
            var items = ItemsOf(c, accounts);
            return new RunLinesView(
                total,
                [.. accounts.SelectMany(l => RunLineView.Of(run.Kind, l, items)).Skip(skip).Take(size)]
            );
        });
    }

    private static RunAccountsView Accounts(long id, string? state, int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 100, 500);
        RunLineState[] states = string.IsNullOrWhiteSpace(state)
            ? [.. Enum.GetValues<RunLineState>()]
            : [.. state.Split(',').Select(s => fields.Choice<RunLineState>("state", s.Trim()))];
        fields.ThrowIfAny();
        return desk.Books.Read(c =>
        {
            RunStore.Get(c, id);
            var progress = RunStore.Progress(c, id);
            var lines = RunStore.Page(c, id, states, (at - 1) * size, size);
            var items = ItemsOf(c, lines);
            return new RunAccountsView(
                states.Distinct().Sum(s => progress.GetValueOrDefault(s)),
                [.. lines.Select(l => RunAccountView.Of(l, items))]
            );
        });
    }

    private static RunAccountDetail One(long id, string code, Desk desk) =>
        desk.Books.Read(c => RunDetails.Of(c, id, AccountStore.Get(c, code), desk));

    private static IResult Letter(long id, string code, bool? picture, Desk desk) =>
        Results.File(
            desk.Books.Read(c => RunDetails.Letter(c, id, AccountStore.Get(c, code), picture ?? false, desk)),
            picture is true ? "image/png" : "application/pdf"
        );

    private static RunAccountDetail Change(
        long id,
        string code,
        RunChangeRequest request,
        Desk desk,
        HttpContext context
    )
    {
        var fields = new Fields();
        var kind = fields.Choice<RunChangeKind>("kind", request.Kind);
        fields.ThrowIfAny();
        return desk.Write(
            context,
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, code);
                var amount = string.IsNullOrWhiteSpace(request.Amount)
                    ? (Money?)null
                    : fields.Money("amount", request.Amount, account.Currency);
                fields.ThrowIfAny();
                desk.Runs.Change(
                    tx,
                    id,
                    code,
                    new(kind, request.Item, amount, request.Level, (request.Reason ?? "").Trim())
                );
                return RunDetails.Of(tx.Connection, id, account, desk);
            }
        );
    }

    private static RunView Post(long id, PostRunRequest request, Desk desk, HttpContext context) =>
        desk.Write(
            context,
            tx =>
            {
                RunDesk.Start(tx, id, request.Send ?? false);
                return View(tx.Connection, id, false);
            }
        );

    private static RunView Stop(long id, Desk desk, HttpContext context) =>
        desk.Write(
            context,
            tx =>
            {
                RunDesk.Stop(tx, id);
                return View(tx.Connection, id, false);
            }
        );

    private static RunView Discard(long id, RunReasonRequest request, Desk desk, HttpContext context) =>
        desk.Write(
            context,
            tx =>
            {
                RunDesk.Discard(tx, id, request.Reason ?? "");
                return View(tx.Connection, id, false);
            }
        );

    private static RunView Reverse(long id, RunReasonRequest request, Desk desk, HttpContext context) =>
        desk.Write(
            context,
            tx =>
            {
                RunDesk.Reverse(tx, id, request.Reason ?? "");
                return View(tx.Connection, id, false);
            }
        );

    private static RunAccountDetail ReverseOne(
        long id,
        string code,
        RunReasonRequest request,
        Desk desk,
        HttpContext context
    ) =>
        desk.Write(
            context,
            tx =>
            {
                RunDesk.ReverseOne(tx, id, code, request.Reason ?? "");
                return RunDetails.Of(tx.Connection, id, AccountStore.Get(tx.Connection, code), desk);
            }
        );
}
