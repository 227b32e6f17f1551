using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Bank statements: brought in from files, listed, and what is certain of them posted together.</summary>
internal static class StatementEndpoints
{
    // So many a request posts unless it says otherwise: others wait for it no longer than a moment.
    private const int UsuallyPosted = 200;
    private const int MostPosted = 1000;

    internal static void MapStatements(this RouteGroupBuilder api)
    {
        var statements = api.MapGroup("/bank/statements").WithTags("Cash");
        statements
            .MapPost("/", Take)
            .By(Role.Controller)
            .Heavy()
            .TakesFile(Bounds.StatementFile)
            .WithName("takeStatements")
            .WithSummary("Brings in the statements of a camt.053 file; with preview=true they are only looked at")
            .Accepts<byte[]>("*/*")
            .Produces<IReadOnlyList<TakenStatementView>>()
            .ProducesProblem(400);
        statements
            .MapGet("/", List)
            .By(Role.Viewer)
            .WithName("listStatements")
            .WithSummary("The statements that came in, the latest first")
            .ProducesProblem(400);
        statements
            .MapGet("/{id:long}/lines", Lines)
            .By(Role.Viewer)
            .WithName("listStatementLines")
            .WithSummary("The lines of a statement with what became of each, or what is proposed for it")
            .ProducesProblem(400)
            .ProducesProblem(404);
        statements
            .MapPost("/{id:long}/post-certain", PostCertain)
            .By(Role.Controller)
            .WithName("postCertain")
            .WithSummary("Posts entries whose proposals are certain, as many as are asked for")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static async Task<IResult> Take(bool? preview, Desk desk, HttpContext context)
    {
        var read = Camt053.Read(await Body.ReadAsync(context.Request, Bounds.StatementFile, "file"));
        var looked = read.Select(s => Look(desk, s, preview is true)).ToList();
        if (preview is true || looked.Any(v => v.Problems.Count > 0))
            return Results.Ok(looked);
        return Results.Ok(
            desk.Write<IReadOnlyList<TakenStatementView>>(
                context,
                tx => [.. read.Select((s, i) => Stored(tx, s, looked[i]))]
            )
        );
    }

    internal static TakenStatementView Stored(Tx tx, BankStatement statement, TakenStatementView view)
    {
        var (problems, entries) = StatementDesk.Store(tx, statement);
        // Another request brought it in while this one looked at it.
        if (problems.Count > 0)
            throw new RefusedException("file", problems[0]);
        return view with
        {
            StatementId = entries.Count == 0 ? null : BankEntryStore.Get(tx.Connection, entries[0]).StatementId,
        };
    }

    internal static TakenStatementView Look(Desk desk, BankStatement statement, bool shownOnly) =>
        desk.Books.Read(c =>
        {
            var problems = StatementDesk.Problems(c, statement, shownOnly);
            return new TakenStatementView(
                statement.Account,
                statement.Id,
                statement.Currency.Code,
                statement.Opening?.ToString(),
                statement.Closing?.ToString(),
                statement.Entries.Count,
                problems.Count > 0
                    ? 0
                    : desk
                        .Bank.Propose(c, statement.Currency, statement.Entries, desk.Rules(c))
                        .Count(p => p.IsCertain),
                null,
                problems
            );
        });

    private static StatementPage List(int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 50, 500);
        fields.ThrowIfAny();
        return desk.Books.Read(c => new StatementPage(
            StatementStore.Count(c),
            [.. StatementStore.All(c, (at - 1) * size, size).Select(StatementView.Of)]
        ));
    }

    private static StatementLinesView Lines(long id, bool? waiting, int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 100, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c =>
        {
            var statement = StatementStore.Get(c, id);
            var proposals = desk.Statements.Of(c, statement);
            var shown = proposals.Where(l => waiting is not true || l.Entry.State == EntryState.Waiting).ToList();
            var open = proposals.Where(l => l.Proposal is not null).Select(l => l.Proposal!).ToList();
            var certain = open.Count(p => p.IsCertain);
            var unknown = open.Count(p => p.Confidence == 0);
            return new StatementLinesView(
                StatementView.Of(statement),
                shown.Count,
                certain,
                open.Count - certain - unknown,
                unknown,
                [
                    .. shown
                        .Skip((at - 1) * size)
                        .Take(size)
                        .Select(l =>
                            StatementLineView.Of(l.Entry, l.Proposal, code => AccountStore.Get(c, code).Name, l.Settles)
                        ),
                ]
            );
        });
    }

    private static PostedCertainView PostCertain(long id, PostCertainRequest request, Desk desk, HttpContext context)
    {
        if (request.Most is < 1 or > MostPosted)
            throw new RefusedException("most", $"Give how many are posted in this request, 1 to {MostPosted:N0}.");
        var (certain, today) = desk.Books.Read(c => (desk.Statements.CertainOf(c, id), desk.Rules(c).Today));
        var now = certain.Take(request.Most ?? UsuallyPosted).ToList();
        // A request that is sent again is answered as before, and posts nothing.
        var carriedOut = false;
        var posted = desk.Write(
            context,
            tx =>
            {
                carriedOut = true;
                return new PostedCertainView(desk.Bank.PostCertain(tx, now), certain.Count - now.Count);
            }
        );
        if (carriedOut)
            desk.Statements.Left(id, today, [.. certain.Skip(now.Count)]);
        return posted;
    }
}
