using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The ageing of all accounts or some, as the books showed it on any day.</summary>
internal static class AgeingEndpoints
{
    // The band through time: a year of ends of months and the day itself.
    private const int Months = 12;

    internal static void MapAgeing(this RouteGroupBuilder api)
    {
        var ageing = api.MapGroup("/ageing").WithTags("Insight");
        ageing
            .MapGet("/", Lines)
            .By(Role.Viewer)
            .WithName("getAgeing")
            .WithSummary("What is open by age, as shown on a day, by account, group, owner or another key")
            .ProducesProblem(400);
        ageing
            .MapGet("/items", Items)
            .By(Role.Viewer)
            .WithName("listAgeingItems")
            .WithSummary("The open items behind an ageing, of one bucket or of all, the largest amounts first")
            .ProducesProblem(400);
        ageing
            .MapGet("/course", Course)
            .By(Role.Viewer)
            .WithName("getAgeingCourse")
            .WithSummary("What was open by age at the ends of the last twelve months, in the base currency")
            .ProducesProblem(400);
        ageing
            .MapGet("/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportAgeing")
            .WithSummary("The ageing as CSV, XLSX or PDF, with its totals and what the journal shows")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
    }

    private static AgeingView Lines([AsParameters] AgeingQuery query, Desk desk)
    {
        var asked = AgeingReader.Read(query, desk);
        var (changes, sums) = Changes(asked, query.Sort);
        return new(
            asked.Day,
            asked.Since,
            asked.Basis,
            asked.Key.Kind,
            asked.Buckets.Names,
            changes.Count,
            [
                .. changes
                    .Skip((asked.Page - 1) * asked.Size)
                    .Take(asked.Size)
                    .Select(c => AgeingLineView.Of(c, asked.Buckets.Names, asked.Since is not null)),
            ],
            [.. sums.Select(c => AgeingLineView.Of(c, asked.Buckets.Names, asked.Since is not null))],
            Journal(asked, sums, desk)
        );
    }

    /// <summary>The lines of the day beside those of the day compared with, sorted, and what each currency comes to.</summary>
    internal static (IReadOnlyList<AgeingChange> Lines, IReadOnlyList<AgeingChange> Sums) Changes(
        AgeingReader asked,
        string? sort
    )
    {
        IReadOnlyList<AgeingLine> On(DateOnly day) => Ageing.Of(asked.Accounts, day, asked.Buckets, asked.Key);
        var now = On(asked.Day);
        if (asked.Since is not { } since)
            return (
                Sorted([.. now.Select(AgeingChange.None)], asked.Buckets, sort),
                [.. Ageing.Sums(now).Select(AgeingChange.None)]
            );
        var before = On(since);
        return (
            Sorted(AgeingChange.Of(now, before), asked.Buckets, sort),
            AgeingChange.Of(Ageing.Sums(now), Ageing.Sums(before))
        );
    }

    private static IReadOnlyList<AgeingChange> Sorted(
        IReadOnlyList<AgeingChange> lines,
        AgeingBuckets buckets,
        string? sort
    )
    {
        var (by, down) = ((sort ?? "key").TrimStart('-'), sort?.StartsWith('-') ?? false);
        var bucket = buckets.Names.ToList().IndexOf(by);
        Func<AgeingChange, Int128>? amount = by switch
        {
            "amount" => c => c.Now.Amount,
            "change" => c => c.Amount,
            _ when bucket >= 0 => c => c.Now.Ageing[bucket],
            "key" => null,
            _ => throw new RefusedException(
                "sort",
                $"Sort by key, amount, change, {string.Join(", ", buckets.Names)}; with a minus sign downwards."
            ),
        };
        if (amount is null)
            return down ? [.. lines.Reverse()] : lines;
        // Amounts of several currencies stand side by side as they are written.
        decimal Major(AgeingChange c) => new MoneySum(amount(c), c.Now.Currency).Amount;
        return [.. down ? lines.OrderByDescending(Major) : lines.OrderBy(Major)];
    }

    private static IReadOnlyList<AgeingJournalView> Journal(
        AgeingReader asked,
        IReadOnlyList<AgeingChange> sums,
        Desk desk
    )
    {
        if (!asked.IsWhole)
            return [];
        var customers = desk
            .Books.Read(c => JournalView.Balances(c, asked.Day, asked.Day))
            .Where(b => b.IsCustomers)
            .ToLookup(b => b.Debits.Currency, b => (Int128)b.Closing.Minor);
        return
        [
            .. sums.Select(s =>
            {
                var journal = customers[s.Now.Currency].Aggregate(Int128.Zero, (sum, b) => sum + b);
                return new AgeingJournalView(
                    s.Now.Currency.Code,
                    new(journal, s.Now.Currency),
                    new(s.Now.Amount - journal, s.Now.Currency)
                );
            }),
        ];
    }

    private static AgeingItemsView Items([AsParameters] AgeingQuery query, string? bucket, Desk desk)
    {
        var asked = AgeingReader.Read(query, desk);
        var place = bucket is null ? -1 : asked.Buckets.Names.ToList().IndexOf(bucket);
        if (bucket is not null && place < 0)
            throw new RefusedException("bucket", $"Choose one of {string.Join(", ", asked.Buckets.Names)}.");
        var (total, page) = AgeingItem.Of(
            asked.Accounts,
            asked.Day,
            asked.Buckets,
            bucket is null ? null : place,
            (asked.Page - 1) * asked.Size,
            asked.Size
        );
        var documents = desk.Books.Read(c => RunStore.Items(c, [.. page.Select(i => i.Item)]));
        return new(
            asked.Day,
            total,
            [
                .. page.Select(i => new AgeingItemView(
                    i.Account.Code,
                    i.Account.Name,
                    i.Account.Currency.Code,
                    documents.TryGetValue(i.Item, out var d) ? d.Document : "",
                    i.Kind,
                    i.Date,
                    i.Due,
                    i.Days,
                    asked.Buckets.Names[asked.Buckets.IndexOf(i.Days)],
                    Money.FromMinor(i.Open, i.Account.Currency)
                )),
            ]
        );
    }

    private static AgeingCourseView Course([AsParameters] AgeingQuery query, Desk desk)
    {
        var asked = AgeingReader.Read(query, desk);
        var (points, without) = AgeingCourse.Of(
            AgeingCourse.Days(asked.Day, Months),
            day => Ageing.Of(asked.Accounts, day, asked.Buckets, new(AgeingKind.Currency)),
            asked.Buckets.Count,
            asked.Book.Rates
        );
        var currency = asked.Book.Rates.Base;
        return new(
            currency.Code,
            asked.Buckets.Names,
            [
                .. points.Select(p => new AgeingPointView(
                    p.Day,
                    new(p.Ageing.Aggregate(Int128.Zero, (sum, a) => sum + a), currency),
                    BucketSumView.Of(asked.Buckets.Names, p.Ageing, currency)
                )),
            ],
            [.. without.Select(c => c.Code)]
        );
    }

    private static IResult File([AsParameters] AgeingQuery query, string? format, Desk desk)
    {
        var asked = AgeingReader.Read(query, desk);
        var (lines, sums) = Changes(asked, query.Sort);
        return Reports.File(
            format,
            AgeingReport.Of(asked, lines, sums, Journal(asked, sums, desk)),
            $"ageing-{asked.Day:yyyy-MM-dd}",
            desk
        );
    }
}
