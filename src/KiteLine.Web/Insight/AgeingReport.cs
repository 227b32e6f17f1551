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
        var what = Name(asked);
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
                .Concat(sums.Select(line => new ReportRow(Cells(line, "Total"), Strong: true))),
            [
                .. journal.Select(j =>
                    $"The journal shows {j.Journal} {j.Currency} on the customers' accounts on this day"
                    + (j.Difference.Minor == 0 ? "; it ties." : $", {j.Difference} less than this ageing.")
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
    }

    private static string Name(AgeingReader asked) =>
        asked.Key.Kind switch
        {
            AgeingKind.Account => "Account",
            AgeingKind.Group => "Group",
            AgeingKind.Owner => "Owner",
            AgeingKind.ControlGroup => "Control group",
            AgeingKind.CustomerType => "Customer type",
            AgeingKind.Currency => "Currency of the account",
            AgeingKind.Field => asked.Book.Settings.CustomerFields.First(f => f.Key == asked.Key.Field).Name,
            _ => throw new ArgumentOutOfRangeException(nameof(asked), asked.Key.Kind, null),
        };

    private static string Bucket(string name) =>
        name == "notDue" ? "Not due"
        : name.StartsWith("over", StringComparison.Ordinal) ? $"Over {name[4..]}"
        : name.Replace('-', '–');
}
