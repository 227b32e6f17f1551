using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Work of Today that is about no account by itself.</summary>
/// <param name="Count">How many accounts, messages or receipts it is about.</param>
/// <param name="Run">The run that it is about; null for anything else.</param>
internal sealed record TodayWorkView(TodayWorkKind Kind, string Text, long Count, long? Run)
{
    // Of more of them the page of the runs tells.
    private const int Runs = 5;

    // A company has few schedules, and hardly ever more than one that was missed.
    private const int Schedules = 10;

    internal static IReadOnlyList<TodayWorkView> Of(SqliteConnection connection, DateOnly today)
    {
        var work = new List<TodayWorkView>();
        foreach (var run in RunStore.Waiting(connection).Take(Runs))
        {
            var ready = RunStore.Ready(connection, run.Id);
            var what = run.Kind == RunKind.Reminders ? "Reminders of" : "Late charges through";
            work.Add(
                new(
                    run.State == RunState.Stopped ? TodayWorkKind.RunStopped : TodayWorkKind.RunReady,
                    $"{what} {Exactly.Day(run.Date)}, {run.Scope}",
                    ready,
                    run.Id
                )
            );
        }

        var messages = OutboxStore.Waiting(connection);
        var failed = messages.GetValueOrDefault(MessageState.Failed) + messages.GetValueOrDefault(MessageState.Unsure);
        if (failed > 0)
            work.Add(new(TodayWorkKind.MessagesFailed, "Messages that did not go out", failed, null));
        if (UnassignedDesk.Count(connection) is > 0 and var unassigned)
            work.Add(new(TodayWorkKind.ReceiptsUnassigned, "Receipts whose payer is not known", unassigned, null));
        work.AddRange(ScheduleStore.All(connection).Select(s => Of(s, today)).OfType<TodayWorkView>().Take(Schedules));
        return work;
    }

    private static TodayWorkView? Of(StoredSchedule schedule, DateOnly today) =>
        schedule.Trouble.Length > 0 ? new(TodayWorkKind.ScheduleWaits, $"{schedule.Title}: {schedule.Trouble}", 1, null)
        : schedule.CaughtUpOn == today
            ? new(
                TodayWorkKind.ScheduleCaughtUp,
                $"{schedule.Title}: was due on {Exactly.Day(schedule.MissedFrom!.Value)} and missed; caught up today",
                1,
                null
            )
        : null;
}
