using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Proposes the runs of the company's schedules on their days, once each, or later where they were missed.</summary>
public sealed class RunScheduling(Books books, RunDesk desk, Func<IReadOnlyList<BookAccount>> accounts)
{
    /// <summary>By whom such runs are made.</summary>
    public const string By = "schedule";

    private const string Family = "run ";

    /// <summary>
    /// Proposes what is due on the business date and was not proposed yet; a schedule that says so is posted too. Gives the
    /// runs that were made. What cannot be proposed is noted with the reason and tried again.
    /// </summary>
    public IReadOnlyList<long> Look()
    {
        var (schedules, rules) = books.Read(connection =>
        {
            var settings = CompanyStore.Settings(connection);
            return (settings.RunSchedules, Rules.Of(connection, CompanyStore.BusinessDate(settings, books.Clock)));
        });
        var followed = schedules
            .DistinctBy(Name)
            .Select(s =>
                (Schedule: s, Followed: new ScheduleStore.Followed(Name(s), s.Words, s.Timing, LastMade(s.Kind)))
            )
            .ToList();
        var due = ScheduleStore.Due(books, Family, [.. followed.Select(f => f.Followed)], rules);
        // Two schedules for one day make one run; one that posts goes before.
        var runs = due.Select(d => (followed.First(f => f.Followed == d.Schedule).Schedule, d.Due))
            .OrderByDescending(d => d.Schedule.Post)
            .GroupBy(d => d.Schedule.Kind);
        return [.. runs.Select(r => Propose([.. r], rules.Today)).OfType<long>()];
    }

    // A change of what is done with it begins no new schedule.
    private static string Name(RunSchedule schedule) => $"{Family}{schedule.Kind} {schedule.Rhythm} {schedule.Number}";

    private DateOnly? LastMade(RunKind kind) => books.Read(c => RunStore.LastMade(c, kind, By));

    private long? Propose(IReadOnlyList<(RunSchedule Schedule, DueOnSchedule Due)> due, DateOnly today)
    {
        var schedule = due[0].Schedule;
        var who = Actor.Program(By);
        try
        {
            var missed = due.Min(d => d.Due.MissedFrom);
            var scope = missed is { } day ? $"all accounts; due since {Exactly.Day(day)}, caught up" : "all accounts";
            return desk.Propose(books, who, schedule.Kind, today, scope, _ => accounts(), Proposed);
        }
        catch (RefusedException e)
        {
            ScheduleStore.Waits(books, Name(schedule), today, e.Message);
            return null;
        }

        // One that was interrupted before this does not count as made.
        void Proposed(Tx tx, long run)
        {
            foreach (var (one, of) in due)
                if (!ScheduleStore.Done(tx, Name(one), today, of))
                    throw new RefusedException("schedule", "Another program proposed it meanwhile.");
            Supersede(tx, schedule.Kind, run);
            if (!schedule.Post || RunStore.Progress(tx.Connection, run).GetValueOrDefault(RunLineState.Ready) == 0)
                return;
            try
            {
                RunDesk.Start(tx, run, schedule.Send);
            }
            catch (RefusedException)
            {
                // It cannot be posted now, as in a period that is closed: it stands as proposed and waits for a person.
            }
        }
    }

    // What a schedule proposed before and nobody took up is out of date.
    private static void Supersede(Tx tx, RunKind kind, long by)
    {
        foreach (var run in RunStore.Waiting(tx.Connection))
            if (run.Id != by && run.Kind == kind && run.MadeBy == By && run.State == RunState.Proposed)
                RunDesk.Discard(tx, run.Id, "A newer one was proposed by the schedule.");
    }
}
