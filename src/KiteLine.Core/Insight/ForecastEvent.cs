namespace KiteLine.Core;

/// <summary>One thing that is expected to change the exposure, or that is not expected to any more.</summary>
/// <param name="On">The day; null for what is open and past the day on which this customer would usually have
/// paid.</param>
public sealed record ForecastEvent(DateOnly? On, string What, long Minor);
