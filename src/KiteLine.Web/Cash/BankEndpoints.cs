using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The bank of the demo: its statements of the business date, fetched or given as a file.</summary>
internal static class BankEndpoints
{
    internal static void MapBank(this RouteGroupBuilder api)
    {
        var statements = api.MapGroup("/bank/statements").WithTags("Cash");
        statements
            .MapPost("/fetch", Fetch)
            .By(Role.Controller)
            .Heavy()
            .WithName("fetchStatements")
            .WithSummary("Fetches the statements of the business date from the simulated bank and stores them")
            .ProducesProblem(400);
        statements
            .MapGet("/of-bank", OfBank)
            .By(Role.Viewer)
            .Heavy()
            .WithName("downloadStatement")
            .WithSummary("The file that the simulated bank gives of one bank account and day")
            .Produces<byte[]>(200, "application/xml")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static IReadOnlyList<TakenStatementView> Fetch(Desk desk, IBank bank, HttpContext context)
    {
        RefuseUnlessDemo(desk);
        var today = desk.Today();
        var read = desk
            .Books.Read(OwnAccountStore.All)
            .Select(own => bank.StatementOf(own.Account, desk.Books.Read(c => StatementStore.Balance(c, own)), today))
            .OfType<byte[]>()
            .SelectMany(Camt053.Read)
            .ToList();
        if (read.Count == 0)
            throw new RefusedException("date", $"The bank has no statement of {Exactly.Day(today)}.");
        var looked = read.Select(s => (Statement: s, View: StatementEndpoints.Look(desk, s, false))).ToList();
        var good = looked.Where(l => l.View.Problems.Count == 0).ToList();
        if (good.Count == 0)
            return [.. looked.Select(l => l.View)];
        return desk.Write<IReadOnlyList<TakenStatementView>>(
            context,
            tx =>
                [
                    .. looked.Select(l =>
                        l.View.Problems.Count > 0 ? l.View : StatementEndpoints.Stored(tx, l.Statement, l.View)
                    ),
                ]
        );
    }

    private static IResult OfBank(string account, string? date, Desk desk, IBank bank)
    {
        RefuseUnlessDemo(desk);
        var fields = new Fields();
        var day = fields.OptionalDate("date", date) ?? desk.Today();
        fields.ThrowIfAny();
        var own =
            desk.Books.Read(c => OwnAccountStore.Find(c, account))
            ?? throw new NotThereException("bank account", account);
        return bank.StatementOf(own.Account, desk.Books.Read(c => StatementStore.Balance(c, own)), day) is { } file
            ? Results.File(file, "application/xml", $"{own.Account}-{day:yyyy-MM-dd}.xml")
            : throw new RefusedException("date", $"The bank has no statement of {Exactly.Day(day)}.");
    }

    // Payments that are made up must never come into the books of a real company.
    private static void RefuseUnlessDemo(Desk desk)
    {
        if (!desk.IsDemo)
            throw new RefusedException("bank", "No bank is connected; read its statements from files.");
    }
}
