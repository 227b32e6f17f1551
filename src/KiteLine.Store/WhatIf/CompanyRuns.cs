using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The runs that the company posted in a period, which say when accounts were charged and reminded.</summary>
internal static class CompanyRuns
{
    /// <summary>One run.</summary>
    /// <param name="At">When its last posting was made, or its last letter.</param>
    /// <param name="Entry">The last posting that it knew of.</param>
    internal sealed record Posted(long Id, RunKind Kind, DateOnly Date, DateTimeOffset At, long Entry);

    /// <summary>Those with a date in the period that were not taken back whole.</summary>
    internal static IReadOnlyList<Posted> In(SqliteConnection connection, MeasuredPeriod period) =>
        [
            .. connection
                .Query<(long Id, RunKind Kind, string Date, long? Entry, string At)>(
                    """
                    SELECT r.id, r.kind, r.date, max(p.entry_id),
                        max(coalesce(m.issued_at, e.posted_at))
                    FROM run r JOIN run_posting p ON p.run_id = r.id LEFT JOIN reminder m ON m.id = p.reminder_id
                        LEFT JOIN entry e ON e.id = p.entry_id
                    WHERE r.date BETWEEN @From AND @To AND r.state IN (@Posting, @Stopped, @Posted) GROUP BY r.id ORDER BY r.id
                    """,
                    new
                    {
                        period.From,
                        period.To,
                        RunState.Posting,
                        RunState.Stopped,
                        RunState.Posted,
                    }
                )
                .Select(r => new Posted(
                    r.Id,
                    r.Kind,
                    Columns.Date(r.Date),
                    Times.Read(r.At),
                    r.Entry ?? LastPostedAt(connection, r.At)
                )),
        ];

    // Postings are numbered in the order of their times.
    private static long LastPostedAt(SqliteConnection connection, string at)
    {
        var (low, high) = (0L, connection.ExecuteScalar<long?>("SELECT max(id) FROM entry") ?? 0);
        while (low < high)
        {
            var middle = low + ((high - low + 1) / 2);
            var posted = connection.QueryFirst<(long Id, string At)>(
                "SELECT id, posted_at FROM entry WHERE id >= @middle ORDER BY id LIMIT 1",
                new { middle }
            );
            if (string.CompareOrdinal(posted.At, at) <= 0)
                low = Math.Min(high, posted.Id);
            else
                high = middle - 1;
        }

        return low;
    }
}
