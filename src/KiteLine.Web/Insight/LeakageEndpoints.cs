using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Discounts and charges that came to something else than was agreed, case by case.</summary>
internal static class LeakageEndpoints
{
    // Sums of so many customers are told; the list tells all.
    private const int MostSums = 200;

    internal static void MapLeakage(this RouteGroupBuilder api)
    {
        var leakage = api.MapGroup("/leakage").WithTags("Insight");
        leakage
            .MapGet("/", List)
            .By(Role.Viewer)
            .WithName("getLeakage")
            .WithSummary(
                "Discounts allowed late, written off or not granted, and charges waived or reversed, with sums"
            )
            .ProducesProblem(400)
            .ProducesProblem(404);
        leakage
            .MapGet("/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportLeakage")
            .WithSummary("The same cases as CSV, XLSX or PDF")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static LeakageView List(
        [AsParameters] MeasuresQuery query,
        string? kind,
        string? reason,
        string? by,
        int? page,
        int? pageSize,
        Desk desk
    )
    {
        var asked = MeasuresReader.Read(query, desk);
        var fields = new Fields();
        var only = string.IsNullOrEmpty(kind) ? (LeakKind?)null : fields.Choice<LeakKind>("kind", kind);
        var of = fields.Choice("by", by, (LeakBy?)LeakBy.Account);
        var (at, size) = fields.Page(page, pageSize, 100, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c =>
        {
            var all = Cases(c, asked, desk);
            var cases = Narrowed(c, all, only, reason);
            return new LeakageView(
                asked.Period.From,
                asked.Period.To,
                asked.Book.Rates.Base.Code,
                cases.Count,
                Views(c, [.. cases.Skip((at - 1) * size).Take(size)]),
                of,
                [.. Sums(cases, of == LeakBy.Reason ? Reasons(c, cases) : Key(of), asked).Take(MostSums)],
                Sums(all, Key(LeakBy.Kind), asked)
            );
        });
    }

    private static List<LeakCase> Narrowed(
        SqliteConnection connection,
        List<LeakCase> all,
        LeakKind? kind,
        string? reason
    )
    {
        var cases = kind is null ? all : all.FindAll(c => c.Kind == kind);
        if (string.IsNullOrEmpty(reason))
            return cases;
        var reasons = Reasons(connection, cases);
        return cases.FindAll(c => reasons(c).Item1.Equals(reason, StringComparison.OrdinalIgnoreCase));
    }

    /// <summary>All cases of the period, the largest first.</summary>
    private static List<LeakCase> Cases(SqliteConnection connection, MeasuresReader asked, Desk desk)
    {
        var accounts = asked.Scope.Accounts;
        var histories = desk.Measuring.Histories.Of(connection, accounts, asked.Book.Settings.Rounding);
        decimal Size(LeakCase c) =>
            asked.Book.Rates.ToBase(new(c.Amount.Minor, c.Amount.Currency), c.Day)?.Amount ?? c.Amount.Amount;
        return
        [
            .. accounts
                .SelectMany(
                    (a, i) =>
                        histories[i]
                            .Discounts.SelectMany(o =>
                                o.Outcome.Leaks.Select(l => new LeakCase(a, o.Item, l.Kind, l.Day, l.Amount, l.LastDay))
                            )
                            .Where(l => asked.Period.Holds(l.Day))
                            .Concat(LeakCase.OfCharges(a, asked.Period))
                )
                .OrderByDescending(Size)
                .ThenBy(c => c.Item),
        ];
    }

    // Many are looked up at a time, so that their postings are never all in memory.
    private static Func<LeakCase, (string, string)> Reasons(SqliteConnection connection, IReadOnlyList<LeakCase> cases)
    {
        var reasons = new Dictionary<LeakCase, string>(ReferenceEqualityComparer.Instance);
        foreach (var some in cases.Chunk(2000))
        foreach (var (of, posting) in some.Zip(LeakPostings.Of(connection, some)))
            reasons[of] = posting.Why;
        return of => (reasons[of], reasons[of]);
    }

    private static Func<LeakCase, (string, string)> Key(LeakBy by) =>
        by switch
        {
            LeakBy.Kind => c => (Fields.Name(c.Kind), ""),
            LeakBy.Account => c => (c.Account.Code, c.Account.Name),
            LeakBy.Owner => c => (c.Account.Owner, c.Account.Owner),
            LeakBy.Month => c => ($"{c.Day:yyyy-MM}", ""),
            LeakBy.Terms => c => (c.Account.TermsCode, c.Account.TermsCode),
            _ => throw new ArgumentOutOfRangeException(nameof(by), by, null),
        };

    private static IReadOnlyList<LeakSumView> Sums(
        IReadOnlyList<LeakCase> cases,
        Func<LeakCase, (string, string)> key,
        MeasuresReader asked
    ) => [.. LeakSum.Of(cases, key, asked.Book.Rates).Select(s => new LeakSumView(s.Key, s.Name, s.Cases, s.Amount))];

    private static IReadOnlyList<LeakCaseView> Views(SqliteConnection connection, IReadOnlyList<LeakCase> cases) =>
        [
            .. cases.Zip(
                LeakPostings.Of(connection, cases),
                (c, p) =>
                    new LeakCaseView(
                        c.Account.Code,
                        c.Account.Name,
                        c.Account.Owner,
                        c.Account.Currency.Code,
                        p.Document,
                        c.Kind,
                        c.Day,
                        c.LastDay,
                        c.DaysLate,
                        c.Amount,
                        p.Entry,
                        p.Who,
                        p.Why
                    )
            ),
        ];

    private static IResult File(
        [AsParameters] MeasuresQuery query,
        string? kind,
        string? reason,
        string? format,
        Desk desk
    )
    {
        var asked = MeasuresReader.Read(query, desk);
        var fields = new Fields();
        var only = string.IsNullOrEmpty(kind) ? (LeakKind?)null : fields.Choice<LeakKind>("kind", kind);
        fields.ThrowIfAny();
        return desk.Books.Read(c =>
        {
            var all = Cases(c, asked, desk);
            var cases = Narrowed(c, all, only, reason);
            var sums = Sums(cases, Key(LeakBy.Kind), asked);
            return Reports.File(
                format,
                new(
                    "Leakage",
                    [$"{Exactly.Day(asked.Period.From)} to {Exactly.Day(asked.Period.To)}, {asked.Scope.Words}"],
                    [
                        new("Account", Width: 0.9f),
                        new("Name", Width: 2),
                        new("Document", Width: 1.1f),
                        new("What", Width: 1.5f),
                        new("Day", Width: 1.1f),
                        new("Days late", Figure: true, Width: 0.8f),
                        new("Currency", Width: 0.8f),
                        new("Amount", Figure: true, Width: 1),
                        new("By", Width: 1),
                        new("Reason", Width: 2),
                    ],
                    Views(c, cases)
                        .Select(v => new ReportRow([
                            v.Account,
                            v.Name,
                            v.Document,
                            Words(v.Kind),
                            v.Day,
                            v.DaysLate,
                            v.Currency,
                            v.Amount.Amount,
                            v.Who,
                            v.Why,
                        ]))
                        .Concat(
                            sums.Select(s => new ReportRow(
                                [
                                    "Total",
                                    $"{s.Cases} cases",
                                    "",
                                    Words(Enum.Parse<LeakKind>(s.Key, ignoreCase: true)),
                                    null,
                                    null,
                                    s.Amount.Currency.Code,
                                    s.Amount.Amount,
                                    "",
                                    "",
                                ],
                                Strong: true
                            ))
                        ),
                    []
                ),
                $"leakage-{asked.Period.From:yyyy-MM-dd}-{asked.Period.To:yyyy-MM-dd}",
                desk
            );
        });
    }

    private static string Words(LeakKind kind) =>
        kind switch
        {
            LeakKind.AllowedLate => "Allowed late",
            LeakKind.WrittenOff => "Late and written off",
            LeakKind.NotGranted => "Not granted",
            LeakKind.ChargeWaived => "Charge waived",
            LeakKind.ChargeReversed => "Charge reversed",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };
}
