using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Finds the postings that made cases of leakage.</summary>
public static class LeakPostings
{
    /// <summary>One for each case, in their order.</summary>
    public static IReadOnlyList<LeakPosting> Of(SqliteConnection connection, IReadOnlyList<LeakCase> cases)
    {
        ArgumentNullException.ThrowIfNull(cases);
        var documents = RunStore.Items(connection, [.. cases.Select(c => c.Item).Distinct()]);
        var postings = connection
            .Query<(
                long Item,
                long Kind,
                string ValueDate,
                string Posted,
                long Amount,
                long Entry,
                string Who,
                string Why
            )>(
                """
                SELECT m.item_id, m.kind, m.value_date, e.posting_date, m.amount, e.id, e.posted_by, e.text
                FROM json_each(@items) x CROSS JOIN movement m ON m.item_id = x.value JOIN entry e ON e.id = m.entry_id
                ORDER BY m.item_id, m.seq
                """,
                new { items = Json.Write(cases.Select(c => c.Item).Distinct()) }
            )
            .ToLookup(m => m.Item);
        return
        [
            .. cases.Select(c =>
            {
                var made = postings[c.Item]
                    .LastOrDefault(m =>
                        (MovementKind)m.Kind == Made(c.Kind)
                        && (m.Amount < 0)
                        && (
                            c.LastDay is null
                                ? Columns.Date(m.Posted) == c.Day || Columns.Date(m.ValueDate) == c.Day
                                : Columns.Date(m.ValueDate) == c.Day
                        )
                    );
                var document = documents.TryGetValue(c.Item, out var d) ? d.Document : "";
                return made.Entry == 0
                    ? new LeakPosting(document, null, "", "")
                    : new LeakPosting(document, made.Entry, made.Who, made.Why);
            }),
        ];
    }

    // What was not granted shows in the cash that came for it.
    private static MovementKind Made(LeakKind kind) =>
        kind switch
        {
            LeakKind.AllowedLate => MovementKind.Discount,
            LeakKind.WrittenOff or LeakKind.ChargeWaived => MovementKind.WriteOff,
            LeakKind.NotGranted => MovementKind.Cash,
            LeakKind.ChargeReversed => MovementKind.Opened,
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };
}
