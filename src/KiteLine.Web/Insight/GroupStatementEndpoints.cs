using System.IO.Compression;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Statements of groups: a page with all accounts, and behind it the statement of each.</summary>
internal static class GroupStatementEndpoints
{
    // Statements of so many accounts are put together; a group of more is sent account by account.
    private const int Most = 300;

    internal static void MapGroupStatements(this RouteGroupBuilder api)
    {
        var statement = api.MapGroup("/groups/{name}/statement").WithTags("Insight");
        statement
            .MapGet(
                "/",
                (string name, string? from, string? to, Desk desk) =>
                    View(name, Read(name, from, to, desk, out var period), period)
            )
            .By(Role.Viewer)
            .WithName("getGroupStatement")
            .WithSummary("The statement of a group over a period, by value: its accounts side by side")
            .ProducesProblem(400)
            .ProducesProblem(404);
        statement
            .MapGet("/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("getGroupStatementFile")
            .WithSummary(
                "The same as a file: format is pdf, with the statement of each account; ubl, one document for each currency; "
                    + "csv or xlsx, with all their lines"
            )
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    /// <summary>Statements of the accounts of a group and of the groups in it that say something.</summary>
    private static List<(Account Account, PrintedStatement Printed)> Read(
        string name,
        string? from,
        string? to,
        Desk desk,
        out (DateOnly From, DateOnly To) period
    )
    {
        var book = desk.Snapshots.Current;
        if (!book.Groups.TryGetValue(name, out var group))
            throw new NotThereException("group", name);
        var of = AccountStatementEndpoints.Period(from, to, desk.Today());
        period = of;
        var members = book.MembersOf(group, of.To).Select(a => a.Id).ToArray();
        if (members.Length > Most)
            throw new RefusedException(
                "name",
                $"The group has {members.Length} accounts; statements of up to {Most} are put together. "
                    + "Send those of its accounts from the board."
            );
        return desk.Books.Read(c =>
            AccountStore
                .ById(c, members)
                .OrderBy(a => a.Code, StringComparer.OrdinalIgnoreCase)
                .Select(a => (a, StatementPrinter.Printed(c, a, of.From, of.To, desk)))
                .Where(s => !s.Item2.Statement.SaysNothing)
                .ToList()
        );
    }

    private static GroupStatementView View(
        string name,
        List<(Account Account, PrintedStatement Printed)> statements,
        (DateOnly From, DateOnly To) period
    )
    {
        var lines = statements
            .Select(s => new GroupStatementLineView(
                s.Account.Code,
                s.Account.Name,
                s.Account.Currency.Code,
                s.Printed.Statement.Opening,
                s.Printed.Statement.Debits,
                s.Printed.Statement.Credits,
                s.Printed.Statement.Closing,
                s.Printed.Statement.Due
            ))
            .ToArray();
        return new(
            name,
            period.From,
            period.To,
            lines,
            [
                .. lines
                    .GroupBy(l => l.Currency)
                    .OrderBy(g => g.Key, StringComparer.Ordinal)
                    .Select(g =>
                        g.Aggregate(
                            (a, b) =>
                                new(
                                    "",
                                    "",
                                    g.Key,
                                    a.Opening + b.Opening,
                                    a.Debits + b.Debits,
                                    a.Credits + b.Credits,
                                    a.Closing + b.Closing,
                                    a.Due + b.Due
                                )
                        ) with
                        {
                            Code = "",
                            Name = "",
                        }
                    ),
            ]
        );
    }

    private static IResult File(string name, string? from, string? to, string? format, Desk desk)
    {
        var statements = Read(name, from, to, desk, out var period);
        var file = $"statement-{MessageSource.Plain(name)}-{period.To:yyyy-MM-dd}";
        if (format == "pdf")
        {
            var first = ReportPdf.Render(Summary(View(name, statements, period)), desk.Snapshots.Current.Settings.Name);
            return FileAnswer.Of(
                to => to.Write(PdfMerging.Of([first, .. statements.Select(s => StatementPdf.Render(s.Printed))])),
                "application/pdf",
                file + ".pdf"
            );
        }

        if (format == "ubl")
            return Ubl(name, statements, period, file);
        if (format is not ("csv" or "xlsx"))
            throw new RefusedException("format", "Choose pdf, ubl, csv or xlsx.");
        return Tables.File(
            format,
            ["Account", "Name", "Currency", .. StatementPrinter.Header],
            statements.SelectMany(s =>
                StatementPrinter
                    .Rows(s.Printed.Statement)
                    .Select(r =>
                        (IReadOnlyList<object?>)[s.Account.Code, s.Account.Name, s.Account.Currency.Code, .. r]
                    )
            ),
            "Statement",
            file
        );
    }

    // A document has one currency: where the group has several, they come as a ZIP.
    private static IResult Ubl(
        string name,
        List<(Account Account, PrintedStatement Printed)> statements,
        (DateOnly From, DateOnly To) period,
        string file
    )
    {
        var documents = statements
            .GroupBy(s => s.Account.Currency.Code, s => s.Printed)
            .OrderBy(g => g.Key, StringComparer.Ordinal)
            .Select(g =>
                (
                    Name: $"{file}-{g.Key}.xml",
                    Content: UblStatement.Write(name, PrintedStatement.NumberOf($"{name}-{g.Key}", period.To), [.. g])
                )
            )
            .ToArray();
        return documents.Length switch
        {
            0 => throw new RefusedException(
                "period",
                "Nothing moved in this period, and nothing is open, so there is no statement."
            ),
            1 => FileAnswer.Of(to => to.Write(documents[0].Content), "application/xml", documents[0].Name),
            _ => FileAnswer.Of(to => Zipped(documents, to), "application/zip", file + ".zip"),
        };
    }

    private static void Zipped((string Name, byte[] Content)[] documents, Stream to)
    {
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        foreach (var (name, content) in documents)
        {
            using var entry = zip.CreateEntry(name).Open();
            entry.Write(content);
        }
    }

    private static Report Summary(GroupStatementView view) =>
        new(
            $"Statement of {view.Group}",
            [$"{Exactly.Day(view.From)} to {Exactly.Day(view.To)}, by value"],
            [
                new("Account", Width: 0.9f),
                new("Name", Width: 2),
                new("Currency", Width: 0.8f),
                new("Opening", Figure: true),
                new("Debits", Figure: true),
                new("Credits", Figure: true),
                new("Closing", Figure: true),
                new("Due", Figure: true),
            ],
            [.. view.Accounts.Select(a => Row(a)), .. view.Sums.Select(s => Row(s) with { Strong = true })],
            ["The statements of the accounts follow."]
        );

    private static ReportRow Row(GroupStatementLineView l) =>
        new([
            l.Code.Length == 0 ? "Total" : l.Code,
            l.Name,
            l.Currency,
            l.Opening.Amount,
            l.Debits.Amount,
            l.Credits.Amount,
            l.Closing.Amount,
            l.Due.Amount,
        ]);
}
