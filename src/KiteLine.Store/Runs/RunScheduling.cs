using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Proposes the runs of the company's schedules on their days, once each.</summary>
public sealed class RunScheduling(Books books, RunDesk desk, Func<IReadOnlyList<BookAccount>> accounts)
{
    /// <summary>By whom such runs are made.</summary>
    public const string By = "schedule";

    /// <summary>
    /// Proposes what is due on the business date and was not proposed yet; a schedule that says so is posted too. Gives the
    /// runs that were made.
    /// </summary>
    public IReadOnlyList<long> Look()
    {
        var due = books.Read(connection =>
        {
            var settings = CompanyStore.Settings(connection);
            if (settings.RunSchedules.Count == 0)
                return [];
            var rules = Rules.Of(connection, CompanyStore.BusinessDate(settings, books.Clock));
            return settings
                .RunSchedules.Where(s =>
                    s.Timing.IsDue(rules.Today, rules.Calendar)
                    && !RunStore.WasMade(connection, s.Kind, rules.Today, By)
                )
                // Two schedules for one day make one run; one that posts goes before.
                .OrderByDescending(s => s.Post)
                .DistinctBy(s => s.Kind)
                .Select(s => (Schedule: s, rules.Today))
                .ToList();
        });
        var made = new List<long>();
        foreach (var (schedule, today) in due)
        {
            var who = Actor.Program(By);
            Supersede(who, schedule.Kind);
            var run = desk.Propose(books, who, schedule.Kind, today, "all accounts", _ => accounts());
            made.Add(run);
            if (schedule.Post && books.Read(c => RunStore.Progress(c, run)).GetValueOrDefault(RunLineState.Ready) > 0)
                books.Write(who, tx => RunDesk.Start(tx, run, schedule.Send));
        }

        return made;
    }

    // What a schedule proposed before and nobody took up is out of date.
    private void Supersede(Actor who, RunKind kind)
    {
        var former = books.Read(c =>
            RunStore.Waiting(c).Where(r => r.Kind == kind && r.MadeBy == By && r.State == RunState.Proposed).ToList()
        );
        foreach (var run in former)
            books.Write(who, tx => RunDesk.Discard(tx, run.Id, "A newer one was proposed by the schedule."));
    }
}
