namespace KiteLine.Core;

/// <summary>What may be done with a run, by how far it has come.</summary>
public static class RunRule
{
    /// <summary>A run that waits may be this long ago; then the world has moved on and it is proposed anew.</summary>
    public const int MostDaysBack = 366;

    /// <summary>So many runs may wait to be posted; more nobody reads.</summary>
    public const int MostWaiting = 20;

    /// <summary>Refuses another run while very many wait.</summary>
    /// <exception cref="RefusedException">As many wait as may.</exception>
    public static void RefuseMore(long waiting)
    {
        if (waiting >= MostWaiting)
            throw new RefusedException("kind", $"{MostWaiting} runs wait already; post or discard some of them first.");
    }

    /// <summary>Whether an act is possible in a state.</summary>
    public static bool May(RunState state, RunAct act) =>
        act switch
        {
            RunAct.Change => state is RunState.Proposed or RunState.Stopped or RunState.Posted,
            RunAct.Post => state is RunState.Proposed or RunState.Stopped or RunState.Posted,
            RunAct.Stop => state is RunState.Posting or RunState.Reversing,
            RunAct.Discard => state is RunState.Proposing or RunState.Proposed,
            RunAct.Reverse => state is RunState.Posted or RunState.Stopped,
            _ => false,
        };

    /// <exception cref="RefusedException">The run has come too far, or not far enough.</exception>
    public static void RefuseUnless(RunState state, RunAct act)
    {
        if (!May(state, act))
            throw new RefusedException("run", $"The run {Is(state)}; {Why(act)}");
    }

    /// <summary>Refuses a date that a run cannot bear.</summary>
    /// <param name="field">The field that gives the date.</param>
    /// <exception cref="RefusedException">It is after the business date, or long ago.</exception>
    public static void RefuseDate(DateOnly date, DateOnly today, string field)
    {
        if (date > today || date < today.AddDays(-MostDaysBack))
            throw new RefusedException(
                field,
                $"Give the business date, {Exactly.Day(today)}, or a day within the year before it."
            );
    }

    private static string Is(RunState state) =>
        state switch
        {
            RunState.Proposing => "is being worked out",
            RunState.Proposed => "is not posted yet",
            RunState.Posting => "is being posted",
            RunState.Stopped => "was stopped",
            RunState.Posted => "is posted",
            RunState.Discarded => "was discarded",
            RunState.Reversing => "is being reversed",
            _ => "was reversed",
        };

    private static string Why(RunAct act) =>
        act switch
        {
            RunAct.Change => "lines are changed before they are posted.",
            RunAct.Post => "a run is posted once it is proposed.",
            RunAct.Stop => "only a run at work can be stopped.",
            RunAct.Discard => "only a run of which nothing was posted is discarded.",
            _ => "only what was posted can be reversed.",
        };
}
