namespace KiteLine.Core;

/// <summary>How a company looks at where its accounts stand on a day.</summary>
/// <param name="Exposure">What counted towards exposure on the day.</param>
/// <param name="Buckets">How open items are aged.</param>
/// <param name="Calendar">The business days by which promises are judged.</param>
public sealed record PositionRules(ExposureSettings Exposure, AgeingBuckets Buckets, BusinessCalendar Calendar);
