using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Puts the views that go out by themselves into the outbox on their days, once each, or later where missed.</summary>
public sealed class MailedViewScheduling(Books books, OutboxDesk outbox)
{
    private const string Family = "view ";

    /// <summary>
    /// Puts those into the outbox that are due on the business date. Gives those that could not be put there, with the
    /// reason, which is noted: the others go all the same, and they are tried again.
    /// </summary>
    public IReadOnlyList<(string Name, string Why)> Look()
    {
        var (views, rules) = books.Read(c =>
            (MailedViewStore.All(c), Rules.Of(c, CompanyStore.BusinessDate(CompanyStore.Settings(c), books.Clock)))
        );
        var followed = views
            .Select(v => new ScheduleStore.Followed(
                $"{Family}{v.Id}",
                $"View {v.View.Name}, {v.View.Timing.Words}",
                v.View.Timing,
                v.LastOn
            ))
            .ToList();
        var failed = new List<(string, string)>();
        foreach (var (schedule, due) in ScheduleStore.Due(books, Family, followed, rules))
        {
            var view = views.First(v => $"{Family}{v.Id}" == schedule.Name);
            try
            {
                books.Write(
                    RunScheduling.By,
                    tx =>
                        ScheduleStore.Done(tx, schedule.Name, rules.Today, due)
                        && MailedViewStore.Went(tx, view.Id, rules.Today)
                            ? outbox.Queue(tx, view.View)
                            : 0
                );
            }
            catch (RefusedException e)
            {
                ScheduleStore.Waits(books, schedule.Name, rules.Today, e.Message);
                failed.Add((view.View.Name, e.Message));
            }
        }

        return failed;
    }
}
