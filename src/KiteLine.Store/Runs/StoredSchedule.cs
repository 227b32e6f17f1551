namespace KiteLine.Store;

/// <summary>How far a schedule was followed.</summary>
/// <param name="Name">Which it is, for the program.</param>
/// <param name="Title">Which it is, in words.</param>
/// <param name="Handled">The last day that was looked after.</param>
/// <param name="MissedFrom">The first day that had been missed when it last caught up.</param>
/// <param name="CaughtUpOn">The day on which it last caught up.</param>
/// <param name="Trouble">Why what is due waits; empty where nothing does.</param>
public sealed record StoredSchedule(
    string Name,
    string Title,
    DateOnly Handled,
    DateOnly? MissedFrom,
    DateOnly? CaughtUpOn,
    string Trouble
);
