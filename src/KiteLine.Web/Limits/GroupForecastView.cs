using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The exposure expected of a group over the next sixty days.</summary>
internal sealed record GroupForecastView(
    DateOnly? PassesOn,
    bool OverNow,
    IReadOnlyList<CoursePoint> Course,
    IReadOnlyList<Working> Workings
);
