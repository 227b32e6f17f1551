using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Measures of the book, a group, an owner or an account over a period, and their course.</summary>
internal static class MeasuresEndpoints
{
    private const int Points = 12;

    // Each line is measured by itself: so many stand side by side.
    private const int MostLines = 200;

    internal static void MapMeasures(this RouteGroupBuilder api)
    {
        var measures = api.MapGroup("/measures").WithTags("Insight");
        measures
            .MapGet("/", One)
            .By(Role.Viewer)
            .WithName("getMeasures")
            .WithSummary("Measures over a period, as shown on its days, in the base currency, with their workings")
            .ProducesProblem(400)
            .ProducesProblem(404);
        measures
            .MapGet("/course", Course)
            .By(Role.Viewer)
            .WithName("getMeasuresCourse")
            .WithSummary("The same measures at the ends of twelve months, each over as many months as the period has")
            .ProducesProblem(400)
            .ProducesProblem(404);
        measures
            .MapGet("/by", By)
            .By(Role.Viewer)
            .WithName("listMeasuresBy")
            .WithSummary("Measures side by side: of owners, groups, customer types or accounts")
            .ProducesProblem(400)
            .ProducesProblem(404);
        measures
            .MapGet("/documents", Documents)
            .By(Role.Viewer)
            .WithName("listMeasuredDocuments")
            .WithSummary("The documents of which a measure is made, the largest first")
            .ProducesProblem(400)
            .ProducesProblem(404);
        measures
            .MapGet("/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportMeasures")
            .WithSummary("Measures side by side as CSV, XLSX or PDF, with those of all together")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static IResult File(
        [AsParameters] MeasuresQuery query,
        string? by,
        string? field,
        string? format,
        Desk desk
    )
    {
        var asked = MeasuresReader.Read(query, desk);
        var side = By(query, by, field, desk);
        return Reports.File(
            format,
            MeasuresReport.Of(asked, side),
            $"measures-{asked.Period.From:yyyy-MM-dd}-{asked.Period.To:yyyy-MM-dd}",
            desk
        );
    }

    private static MeasuredDocumentsView Documents(
        [AsParameters] MeasuresQuery query,
        string? part,
        int? page,
        int? pageSize,
        Desk desk
    )
    {
        var asked = MeasuresReader.Read(query, desk);
        var fields = new Fields();
        var of = fields.Choice<MeasuredPart>("part", part);
        var (at, size) = fields.Page(page, pageSize, 100, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c => MeasuredDocuments.Of(c, asked, of, at, size, desk));
    }

    private static MeasuresView One([AsParameters] MeasuresQuery query, Desk desk)
    {
        var asked = MeasuresReader.Read(query, desk);
        return desk.Books.Read(c => desk.Measuring.Of(c, asked.Scope.Accounts, asked.Period, asked.Book));
    }

    private static MeasuresCourseView Course([AsParameters] MeasuresQuery query, Desk desk)
    {
        var asked = MeasuresReader.Read(query, desk);
        return desk.Books.Read(c => new MeasuresCourseView(
            asked.Book.Rates.Base.Code,
            desk.Measuring.Of(c, asked.Scope.Accounts, asked.Period.Rolling(Points), asked.Book)
        ));
    }

    private static MeasuresByView By([AsParameters] MeasuresQuery query, string? by, string? field, Desk desk)
    {
        var asked = MeasuresReader.Read(query, desk);
        var fields = new Fields();
        var kind = fields.Choice("by", by, (AgeingKind?)AgeingKind.Owner);
        var key = new AgeingKey(
            kind,
            kind == AgeingKind.Field ? InsightScope.Field("field", field, asked.Book, fields) : ""
        );
        fields.ThrowIfAny();
        var lines = asked
            .Scope.Accounts.GroupBy(a => key.Of(a, asked.Period.To), StringComparer.OrdinalIgnoreCase)
            .OrderBy(g => g.Key, StringComparer.OrdinalIgnoreCase)
            .ToArray();
        return desk.Books.Read(c => new MeasuresByView(
            kind,
            lines.Length,
            [
                .. lines
                    .Take(MostLines)
                    .Select(of => new MeasuresOfView(
                        of.Key,
                        kind == AgeingKind.Account ? of.First().Name : of.Key,
                        desk.Measuring.Of(c, [.. of], asked.Period, asked.Book)
                    )),
            ]
        ));
    }
}
