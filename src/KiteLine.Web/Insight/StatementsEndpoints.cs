using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Statements of account for many accounts at once, through the outbox.</summary>
internal static class StatementsEndpoints
{
    // Each is worked out while its caller waits; more are sent in parts.
    private const int Most = 5000;

    // So few by one transaction that nobody who posts something else waits long.
    private const int Together = 50;

    // What becomes of one account.
    private enum Outcome
    {
        ByEmail,
        ToPrint,
        Nothing,
        Already,
    }

    internal static void MapStatementsOfMany(this RouteGroupBuilder api) =>
        api.MapPost("/account-statements", Send)
            .WithTags("Insight")
            .By(Role.Controller)
            .Heavy()
            .WithName("sendStatements")
            .WithSummary(
                "Puts the statements of many accounts over a period into the outbox, each once; with preview=true counts them"
            )
            .ProducesProblem(400)
            .ProducesProblem(404);

    private static StatementsView Send(bool? preview, StatementsRequest request, Desk desk, HttpContext context)
    {
        var (from, to) = AccountStatementEndpoints.Period(request.From, request.To, desk.Today());
        if (to > desk.Today())
            throw new RefusedException("to", $"Give {Exactly.Day(desk.Today())} or an earlier day.");
        var scope = RunScope.Of(request.Accounts, request.Filter, desk);
        var accounts = desk.Books.Read(c => scope.Find(c));
        if (accounts.Count > Most)
            throw new RefusedException(
                "filter",
                $"These are {accounts.Count:N0} accounts; narrow them down to {Most:N0} statements at a time."
            );
        StatementsView Told(IReadOnlyCollection<Outcome> all) =>
            new(
                from,
                to,
                all.Count,
                all.Count(o => o == Outcome.ByEmail),
                all.Count(o => o == Outcome.ToPrint),
                all.Count(o => o == Outcome.Nothing),
                all.Count(o => o == Outcome.Already)
            );
        var outcomes = new List<Outcome>(accounts.Count);
        if (preview is true)
            return desk.Books.Read(c =>
            {
                foreach (var account in accounts)
                    outcomes.Add(Of(c, account, (from, to), desk, _ => { }));
                return Told(outcomes);
            });
        // A request that was carried out in part and is sent again sends what is left: no statement goes out twice.
        foreach (var some in accounts.Chunk(Together))
            outcomes.AddRange(
                desk.Books.Write(
                    context.Who(),
                    tx =>
                        some.Select(account =>
                                Of(tx.Connection, account, (from, to), desk, about => desk.Messages.Queue(tx, about))
                            )
                            .ToArray()
                )
            );
        return desk.Write(
            context,
            tx =>
            {
                var told = Told(outcomes);
                Audit.Record(tx, "statements", "sent", told);
                return told;
            }
        );
    }

    private static Outcome Of(
        SqliteConnection connection,
        BookAccount of,
        (DateOnly From, DateOnly To) period,
        Desk desk,
        Action<MessageSource.About> queue
    )
    {
        if (OutboxStore.HasStatement(connection, of.Id, period.From, period.To))
            return Outcome.Already;
        var account = AccountStore.ById(connection, of.Id);
        if (StatementPrinter.Of(connection, account, period.From, period.To, desk).SaysNothing)
            return Outcome.Nothing;
        var about = desk.Messages.OfStatement(connection, account, period.From, period.To);
        queue(about);
        return MessageSource.Way(about, null, null).Delivery == Delivery.Email ? Outcome.ByEmail : Outcome.ToPrint;
    }
}
