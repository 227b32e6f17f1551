namespace KiteLine.Core;

/// <summary>Something that its schedule has due today.</summary>
/// <param name="MissedFrom">The first day before today on which it was due and was not done; null where none was missed.</param>
public sealed record DueOnSchedule(DateOnly? MissedFrom);
