using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The credit loss expected of receivables by a provision matrix, and the matrices by date.</summary>
internal static class ProvisionEndpoints
{
    internal static void MapProvision(this RouteGroupBuilder api)
    {
        var provision = api.MapGroup("/provision").WithTags("Insight");
        provision
            .MapGet("/", One)
            .By(Role.Viewer)
            .WithName("getProvision")
            .WithSummary("The credit loss expected of receivables, as shown on a day, by the matrix that holds on it")
            .ProducesProblem(400);
        provision
            .MapGet("/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportProvision")
            .WithSummary("The same as CSV, XLSX or PDF")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
        provision
            .MapGet(
                "/matrices",
                (Desk desk) =>
                    desk.Books.Read(c =>
                        (IReadOnlyList<MatrixView>)[.. ProvisionStore.All(c).Reverse().Select(MatrixView.Of)]
                    )
            )
            .By(Role.Viewer)
            .WithName("listProvisionMatrices")
            .WithSummary("Provision matrices, the latest first");
        provision
            .MapPost("/matrices", Add)
            .By(Role.Manager)
            .WithName("addProvisionMatrix")
            .WithSummary("Lets other rates hold from a day on; what holds on earlier days stays")
            .ProducesProblem(400);
    }

    private static MatrixView Add(MatrixRequest request, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var from = fields.Date("from", request.From);
        var rates = (request.Rates ?? [])
            .Select((r, i) => fields.Number($"rates[{i}]", r, 0, 100, "a percentage such as 1.6"))
            .ToArray();
        fields.ThrowIfAny();
        var matrix = new ProvisionMatrix(from, [.. request.UpTo ?? []], rates);
        return desk.Write(context, tx => MatrixView.Of(ProvisionStore.Add(tx, matrix, request.Reason ?? "")));
    }

    private static ProvisionView One(string? asOf, string? since, string? within, Desk desk)
    {
        var (book, fields) = (desk.Snapshots.Current, new Fields());
        var day = fields.OptionalDate("asOf", asOf) ?? desk.Today();
        var before = fields.OptionalDate("since", since);
        if (before >= day)
            fields.Bad("since", $"Compare with a day before {Exactly.Day(day)}, the one that is shown.");
        var scope = InsightScope.Read(within, null, day, book, fields);
        fields.ThrowIfAny();
        var all = desk.Books.Read(c => ProvisionStore.All(c).Select(m => m.Matrix).ToArray());
        Provision? On(DateOnly on) =>
            ProvisionMatrix.On(all, on) is { } matrix
                ? Provision.Of(scope.Accounts, on, matrix, book.Rates, book.Settings.Rounding)
                : null;
        var nothing = new MoneySum(0, book.Rates.Base);
        if (On(day) is not { } p)
            return new(day, before, book.Rates.Base.Code, null, [], nothing, nothing, null, [], []);
        var then = before is { } b ? On(b)?.Loss ?? nothing : (MoneySum?)null;
        return new(
            day,
            before,
            book.Rates.Base.Code,
            p.Matrix.From,
            [.. p.Lines.Select(l => new ProvisionLineView(l.Bucket, l.Gross, l.Rate, l.Loss))],
            p.Gross,
            p.Loss,
            then is { } t ? new(p.Loss.Minor - t.Minor, p.Loss.Currency) : null,
            [.. p.WithoutRate.Select(c => c.Code)],
            [
                .. p.Lines.Select(l => new Working(
                    l.Bucket,
                    l.Gross.Minor > 0
                        ? $"{l.Gross} × {Exactly.Plain(l.Rate)} %"
                        : $"{l.Gross}: credits exceed debits, nothing is expected to be lost",
                    $"{l.Loss}"
                )),
                new("Expected credit loss", "sum of the above", $"{p.Loss}"),
            ]
        );
    }

    private static IResult File(string? asOf, string? since, string? within, string? format, Desk desk)
    {
        var p = One(asOf, since, within, desk);
        return Reports.File(
            format,
            new(
                "Expected credit loss",
                [
                    $"As shown on {Exactly.Day(p.AsOf)}, in {p.Currency}",
                    p.From is { } from
                        ? $"By the matrix from {Exactly.Day(from)} on"
                        : "No provision matrix holds on this day",
                ],
                [
                    new("Age", Width: 2),
                    new("Gross", Figure: true),
                    new("Rate %", Figure: true),
                    new("Expected loss", Figure: true),
                ],
                p.Lines.Select(l => new ReportRow([
                        AgeingReport.Bucket(l.Bucket),
                        l.Gross.Amount,
                        l.Rate,
                        l.Loss.Amount,
                    ]))
                    .Append(new ReportRow(["Total", p.Gross.Amount, null, p.Loss.Amount], Strong: true)),
                [.. p.WithoutRate.Select(c => $"Accounts in {c} are left out: there is no rate for the day.")]
            ),
            $"provision-{p.AsOf:yyyy-MM-dd}",
            desk
        );
    }
}
