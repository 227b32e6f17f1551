using System.Text.Json;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Export and import of customers and policies as CSV, XLSX and JSON.</summary>
internal static class ExchangeEndpoints
{
    private const int RowsTold = 500;

    internal static void MapExchange(this RouteGroupBuilder api)
    {
        ((IEndpointRouteBuilder)api).ServiceProvider.GetRequiredService<ExchangeKinds>().Add(CustomerExchange.Kind);
        var exchange = api.MapGroup("/exchange/{kind}").WithTags("Import and export");
        exchange
            .MapGet(
                "/",
                (string kind, string? format, Desk desk, ExchangeKinds kinds) =>
                    desk.Books.Read(c => ExchangeFile.Write(format ?? "csv", kinds.Of(kind).Export(c, desk), kind))
            )
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportRecords")
            .WithSummary(
                "All records of a kind: customers, terms, late-charges, reminder-plans, tax-codes, reference-rates or calendars"
            )
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
        exchange
            .MapPost("/", Import)
            .By(Role.Manager)
            .Heavy()
            .TakesFile(Bounds.TableFile)
            .WithName("importRecords")
            .WithSummary("Brings records in, new or changed; with preview=true shows what would happen")
            .Accepts<byte[]>("*/*")
            .Produces<ExchangeResult>()
            .ProducesProblem(400);
    }

    private static async Task<IResult> Import(
        string kind,
        string? format,
        bool? preview,
        bool? acceptGood,
        string? reason,
        Desk desk,
        ExchangeKinds kinds,
        HttpContext context
    )
    {
        var exchange = kinds.Of(kind);
        var records = ExchangeFile.Read(
            format ?? "csv",
            await Body.ReadAsync(context.Request, Bounds.TableFile, "file")
        );
        var why = string.IsNullOrWhiteSpace(reason) ? "Brought in from a file" : reason.Trim();
        var tried = desk.Books.Rehearse(context.Who(), tx => Rows(tx, exchange, records, desk, why));
        if (preview is true || (tried.Refused > 0 && acceptGood is not true) || tried.New + tried.Changed == 0)
            return Results.Ok(tried);
        return Results.Ok(desk.Write(context, tx => Rows(tx, exchange, records, desk, why) with { Stored = true }));
    }

    private static ExchangeResult Rows(
        Tx tx,
        ExchangeKind kind,
        IReadOnlyList<FileRecord> records,
        Desk desk,
        string reason
    )
    {
        var counts = new Dictionary<ExchangeOutcome, int>();
        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        var rows = new List<ExchangeRow>();
        foreach (var record in records)
        {
            var row = Row(tx, kind, record, desk, reason, seen);
            counts[row.Outcome] = counts.GetValueOrDefault(row.Outcome) + 1;
            if (row.Outcome != ExchangeOutcome.Same && rows.Count < RowsTold)
                rows.Add(row);
        }

        return new(
            false,
            counts.GetValueOrDefault(ExchangeOutcome.New),
            counts.GetValueOrDefault(ExchangeOutcome.Changed),
            counts.GetValueOrDefault(ExchangeOutcome.Same),
            counts.GetValueOrDefault(ExchangeOutcome.Refused),
            rows
        );
    }

    private static ExchangeRow Row(
        Tx tx,
        ExchangeKind kind,
        FileRecord record,
        Desk desk,
        string reason,
        HashSet<string> seen
    )
    {
        var code = record.Record?["code"]?.ToString() ?? "";
        ExchangeRow Refused(params ExchangeProblem[] problems) =>
            new(record.Row, code, record.Record?["name"]?.ToString() ?? "", ExchangeOutcome.Refused, [], problems);
        if (record.Record is null)
            return Refused(new ExchangeProblem("", record.Problem));
        if (code.Length > 0 && !seen.Add(code))
            return Refused(new ExchangeProblem("code", $"‘{code}’ stands twice in the file."));
        // A row that is refused half-way leaves nothing behind.
        tx.Connection.Execute("SAVEPOINT record");
        try
        {
            var done = kind.Import(tx, record.Record, desk, reason);
            tx.Connection.Execute("RELEASE record");
            var (before, after) = (FlatRow.Of(done.Before), FlatRow.Of(done.After));
            var changes = before
                .Keys.Union(after.Keys)
                .Where(k => before.GetValueOrDefault(k) != after.GetValueOrDefault(k))
                .Select(k => new AuditChange(k, before.GetValueOrDefault(k), after.GetValueOrDefault(k)))
                .ToList();
            return new(
                record.Row,
                done.After["code"]!.ToString(),
                done.After["name"]!.ToString(),
                done.Before is null ? ExchangeOutcome.New
                    : changes.Count > 0 ? ExchangeOutcome.Changed
                    : ExchangeOutcome.Same,
                done.Before is null ? [] : changes,
                []
            );
        }
        catch (Exception e)
            when (e
                    is RefusedException
                        or TermsException
                        or ShorthandException
                        or ChangedMeanwhileException
                        or NotThereException
                        or JsonException
            )
        {
            tx.Connection.Execute("ROLLBACK TO record; RELEASE record");
            return e switch
            {
                RefusedException refused => Refused([
                    .. refused.Problems.Select(p => new ExchangeProblem(p.Field, p.Message)),
                ]),
                JsonException { Path.Length: > 2 } json => Refused(
                    new ExchangeProblem(json.Path[2..], json.Message.Split(" Path:")[0])
                ),
                _ => Refused(new ExchangeProblem("", e.Message)),
            };
        }
    }
}
