using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Key">What the entry is about; put it off by this.</param>
/// <param name="AtRiskAtHome">In the base currency; entries are ranked by it.</param>
internal sealed record TodayEntryView(
    TodayKind Kind,
    string Key,
    string About,
    string Name,
    string Owner,
    bool OfGroup,
    string Text,
    Money AtRisk,
    string Currency,
    Money AtRiskAtHome,
    DateOnly? On,
    long? Number,
    bool Mine,
    DateOnly? PutOffUntil,
    string? PutOffBy
);
