using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The journal: balances of the posting accounts, their lines, and the hand-over to the general ledger.</summary>
internal static class JournalEndpoints
{
    internal static void MapJournal(this RouteGroupBuilder api)
    {
        var journal = api.MapGroup("/journal").WithTags("Ledger");
        journal
            .MapGet("/balances", Balances)
            .By(Role.Viewer)
            .WithName("listJournalBalances")
            .WithSummary("Opening, debits, credits and closing of every posting account for a period, by posting date")
            .ProducesProblem(400);
        journal
            .MapGet("/lines", Lines)
            .By(Role.Viewer)
            .WithName("listJournalLines")
            .WithSummary("The lines of a period, of one posting account or of all")
            .ProducesProblem(400);
        journal
            .MapGet("/export", Export)
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportJournal")
            .WithSummary("The lines of a period as CSV or XLSX; nothing is marked as handed over")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
        var handOvers = journal.MapGroup("/hand-overs");
        handOvers
            .MapGet("/", HandOvers)
            .By(Role.Viewer)
            .WithName("listHandOvers")
            .WithSummary("What was handed over to the general ledger, and how much waits")
            .ProducesProblem(400);
        handOvers
            .MapPost("/", Take)
            .By(Role.Controller)
            .WithName("handOver")
            .WithSummary("Marks everything posted since the last hand-over as handed over; its file is read after it")
            .ProducesProblem(400);
        handOvers
            .MapGet("/{id:long}/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportHandOver")
            .WithSummary("The lines of a hand-over as CSV or XLSX, the same whenever it is read")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static JournalBalancesView Balances(string? from, string? to, Desk desk)
    {
        var p = JournalPeriod.Read(from, to, desk.Today());
        var balances = desk.Books.Read(c => JournalView.Balances(c, p.From, p.To));
        return new(
            p.From,
            p.To,
            [.. balances.Select(JournalBalanceView.Of)],
            [.. JournalSum.Of(balances).Select(JournalSumView.Of)]
        );
    }

    private static JournalPage Lines(
        string? from,
        string? to,
        string? account,
        string? purpose,
        string? currency,
        int? page,
        int? pageSize,
        Desk desk
    )
    {
        var p = JournalPeriod.Read(from, to, desk.Today(), account, purpose, currency, page, pageSize);
        return desk.Books.Read(c =>
        {
            var total = JournalView
                .Balances(c, p.From, p.To)
                .Where(b => p.Account is null || b.Account == p.Account)
                .Where(b => p.Purpose is null || b.Purpose == p.Purpose)
                .Where(b => p.Currency is null || ReferenceEquals(b.Debits.Currency, p.Currency))
                .Sum(b => b.Lines);
            return new JournalPage(total, [.. p.Lines(c).Select(JournalRowView.Of)]);
        });
    }

    private static IResult Export(
        string? format,
        string? from,
        string? to,
        string? account,
        string? purpose,
        string? currency,
        Desk desk
    )
    {
        var p = JournalPeriod.Read(from, to, desk.Today(), account, purpose, currency);
        return desk.Books.Read(c =>
            JournalFile.Of(format, p.AllLines(c), $"journal-{p.From:yyyy-MM-dd}-{p.To:yyyy-MM-dd}")
        );
    }

    private static HandOverPage HandOvers(int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 50, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c =>
        {
            var (total, waiting) = JournalView.Counts(c);
            return new HandOverPage(
                total,
                waiting,
                [.. JournalView.HandOvers(c, (at - 1) * size, size).Select(HandOverView.Of)]
            );
        });
    }

    private static HandOverView Take(Desk desk, HttpContext context) =>
        desk.Write(context, tx => HandOverView.Of(JournalView.Take(tx)));

    private static IResult File(long id, string? format, Desk desk) =>
        desk.Books.Read(c =>
        {
            var handOver = JournalView.HandOver(c, id);
            return JournalFile.Of(format, JournalView.Of(c, handOver), $"hand-over-{id}");
        });
}
