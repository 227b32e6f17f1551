using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>An account or group that needs a decision, with all its reasons.</summary>
/// <param name="AtRisk">Of its largest reason; reasons are often about the same money.</param>
/// <param name="Reasons">The largest 200 of them.</param>
/// <param name="AtRiskAtHome">In the base currency; calls are ranked by it.</param>
internal sealed record TodayCallView(
    string About,
    bool OfGroup,
    string Name,
    string Owner,
    Money AtRisk,
    string Currency,
    Money AtRiskAtHome,
    IReadOnlyList<TodayEntryView> Reasons,
    int ReasonCount
);
