using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <param name="Members">Of more than 200 accounts those with the largest exposure; the group says how many it
/// has.</param>
internal sealed record GroupView(
    GroupRow Group,
    IReadOnlyList<GroupMember> Members,
    IReadOnlyList<LimitEventView> History,
    IReadOnlyList<LimitRequestView> Requests,
    IReadOnlyList<Working> Workings,
    IReadOnlyList<CoursePoint> Course,
    GroupForecastView Forecast
);
