namespace KiteLine.Core;

/// <summary>
/// What the company counted towards exposure from a day on, so that a past day is shown as it was then.
/// </summary>
public sealed record ExposureRule(DateOnly From, ExposureSettings Settings);
