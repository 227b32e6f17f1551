using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="PassesOn">The first day on which the limit is passed; null when it will not be within sixty
/// days.</param>
internal sealed record ForecastView(
    string Currency,
    string AverageDaysLate,
    DateOnly? PassesOn,
    bool OverNow,
    IReadOnlyList<CoursePoint> Course,
    IReadOnlyList<Working> Workings
);
