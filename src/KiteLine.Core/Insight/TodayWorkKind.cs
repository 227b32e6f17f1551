namespace KiteLine.Core;

/// <summary>Work of Today that is about no account by itself.</summary>
public enum TodayWorkKind
{
    /// <summary>A run was proposed and waits to be read and posted.</summary>
    RunReady,

    /// <summary>A run was stopped before its end.</summary>
    RunStopped,

    /// <summary>Messages that did not go out, or of which nobody knows.</summary>
    MessagesFailed,

    /// <summary>Receipts whose payer is not known yet.</summary>
    ReceiptsUnassigned,

    /// <summary>A schedule whose day had been missed was caught up today.</summary>
    ScheduleCaughtUp,

    /// <summary>What a schedule has due could not be done yet.</summary>
    ScheduleWaits,
}
