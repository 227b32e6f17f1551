using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Keeps how far each schedule was followed. A schedule begins with the day on which it is first seen; a day that passed
/// while the program did not run is caught up.
/// </summary>
public static class ScheduleStore
{
    /// <summary>The longest reason for which one waits.</summary>
    private const int LongestTrouble = 1000;

    /// <summary>A schedule that is followed.</summary>
    /// <param name="LastDone">The last day on which it is known to have been done, where it was not followed before.</param>
    internal sealed record Followed(string Name, string Title, RunTiming Timing, DateOnly? LastDone = null);

    /// <summary>All of them, by name.</summary>
    public static IReadOnlyList<StoredSchedule> All(SqliteConnection connection) =>
        connection
            .Query<Row>("SELECT name, title, handled, missed_from, caught_up_on, trouble FROM schedule ORDER BY name")
            .Select(r => new StoredSchedule(r.Name, r.Title, r.Handled, r.MissedFrom, r.CaughtUpOn, r.Trouble))
            .ToList();

    private sealed record Row
    {
        public string Name { get; init; } = "";
        public string Title { get; init; } = "";
        public DateOnly Handled { get; init; }
        public DateOnly? MissedFrom { get; init; }
        public DateOnly? CaughtUpOn { get; init; }
        public string Trouble { get; init; } = "";
    }

    /// <summary>
    /// Those of a family that have something due today, in the order given. One that was not followed before begins today,
    /// one that is gone is forgotten.
    /// </summary>
    /// <param name="family">How the names of all of them begin.</param>
    internal static IReadOnlyList<(Followed Schedule, DueOnSchedule Due)> Due(
        Books books,
        string family,
        IReadOnlyList<Followed> schedules,
        BooksRules rules
    )
    {
        var known = Known(books, family);
        if (schedules.Any(s => !known.ContainsKey(s.Name)) || known.Keys.Any(k => schedules.All(s => s.Name != k)))
        {
            books.Write(RunScheduling.By, tx => Follow(tx, family, schedules, rules.Today));
            known = Known(books, family);
        }

        return
        [
            .. schedules
                .Select(s => (Schedule: s, Due: s.Timing.Due(known[s.Name].Handled, rules.Today, rules.Calendar)))
                .Where(s => s.Due is not null)
                .Select(s => (s.Schedule, s.Due!)),
        ];
    }

    private static Dictionary<string, StoredSchedule> Known(Books books, string family) =>
        books
            .Read(All)
            .Where(s => s.Name.StartsWith(family, StringComparison.Ordinal))
            .ToDictionary(s => s.Name, StringComparer.Ordinal);

    private static bool Follow(Tx tx, string family, IReadOnlyList<Followed> schedules, DateOnly today)
    {
        foreach (var s in schedules)
            tx.Connection.Execute(
                "INSERT INTO schedule (name, title, handled) VALUES (@Name, @Title, @handled) ON CONFLICT DO NOTHING",
                new
                {
                    s.Name,
                    s.Title,
                    handled = s.LastDone == today ? today : today.AddDays(-1),
                }
            );
        tx.Connection.Execute(
            "DELETE FROM schedule WHERE substr(name, 1, length(@family)) = @family AND name NOT IN @names",
            new { family, names = schedules.Select(s => s.Name).Append("") }
        );
        return true;
    }

    /// <summary>Notes that what was due was done; false where somebody else did it meanwhile, or it is gone.</summary>
    internal static bool Done(Tx tx, string name, DateOnly today, DueOnSchedule due)
    {
        if (
            tx.Connection.Execute(
                """
                UPDATE schedule SET handled = @today, trouble = '',
                    missed_from = coalesce(@MissedFrom, missed_from),
                    caught_up_on = CASE WHEN @MissedFrom IS NULL THEN caught_up_on ELSE @today END
                WHERE name = @name AND handled < @today
                """,
                new
                {
                    name,
                    today,
                    due.MissedFrom,
                }
            ) == 0
        )
            return false;
        if (due.MissedFrom is { } missed)
            Audit.Record(tx, $"schedule:{name}", "caught up", new { missedFrom = missed }, "");
        return true;
    }

    /// <summary>Notes why what is due waits. It is tried again; only another reason is written.</summary>
    internal static void Waits(Books books, string name, DateOnly today, string why)
    {
        var trouble = why.Length <= LongestTrouble ? why : why[..LongestTrouble];
        // Somebody else may have done it meanwhile.
        if (books.Read(All).Any(s => s.Name == name && s.Handled < today && s.Trouble != trouble))
            books.Write(
                RunScheduling.By,
                tx =>
                    tx.Connection.Execute(
                        "UPDATE schedule SET trouble = @trouble WHERE name = @name AND handled < @today",
                        new
                        {
                            name,
                            today,
                            trouble,
                        }
                    )
            );
    }
}
