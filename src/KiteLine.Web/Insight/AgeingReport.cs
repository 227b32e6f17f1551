using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>An ageing as a table to take away.</summary>
internal static class AgeingReport
{
    internal static Report Of(
        AgeingReader asked,
        IReadOnlyList<AgeingChange> lines,
        IReadOnlyList<AgeingChange> sums,
        IReadOnlyList<AgeingJournalView> journal
    )
    {
        var compared = asked.Since is not null;
        var what = InsightScope.Name(asked.Key, asked.Book);
        var named = asked.Key.Kind == AgeingKind.Account;
        return new(
            $"Ageing by {what.ToLowerInvariant()}",
            [
                $"As shown on {Exactly.Day(asked.Day)}, by {(asked.Basis == AgeingBasis.Due ? "due" : "invoice")} date"
                    + (asked.Since is { } since ? $", compared with {Exactly.Day(since)}" : ""),
            ],
            [
                new(what, Width: named ? 1.2f : 2.4f),
                .. named ? [new ReportColumn("Name", Width: 2.4f)] : (ReportColumn[])[],
                new("Currency", Width: 0.8f),
                .. asked.Buckets.Names.Select(b => new ReportColumn(Bucket(b), Figure: true, Width: 1.2f)),
                new("Total", Figure: true, Width: 1.3f),
                .. compared ? [new ReportColumn("Change", Figure: true, Width: 1.3f)] : (ReportColumn[])[],
            ],
            lines
                .Select(line => new ReportRow(Cells(line, line.Now.Key.Length == 0 ? "(none)" : line.Now.Key)))
                .Concat(sums.Select(line => new ReportRow(Cells(line, "Total"), Strong: true)))
                .Concat(journal.Select(j => new ReportRow(Journal(j), Strong: true))),
            [
                .. journal
                    .Where(j => j.Difference.Minor != 0)
                    .Select(j =>
                        $"The journal shows less in {j.Currency} where something was opened before the books began, or was "
                        + "posted with a value date to come."
                    ),
            ]
        );

        IReadOnlyList<object?> Cells(AgeingChange line, string key) =>
            [
                key,
                .. named ? [line.Now.Name] : (object?[])[],
                line.Now.Currency.Code,
                .. line.Now.Ageing.Select(a => (object?)new MoneySum(a, line.Now.Currency).Amount),
                new MoneySum(line.Now.Amount, line.Now.Currency).Amount,
                .. compared ? [new MoneySum(line.Amount, line.Now.Currency).Amount] : (object?[])[],
            ];

        // What the journal shows on the customers' accounts on the same day.
        IReadOnlyList<object?> Journal(AgeingJournalView j) =>
            [
                "In the journal",
                .. named ? [""] : (object?[])[],
                j.Currency,
                .. asked.Buckets.Names.Select(_ => (object?)null),
                j.Journal.Amount,
                .. compared ? [null] : (object?[])[],
            ];
    }

    internal static string Bucket(string name) =>
        name == "notDue" ? "Not due"
        : name.StartsWith("over", StringComparison.Ordinal) ? $"Over {name[4..]}"
        : name.Replace('-', '–');
}
