namespace KiteLine.Web;

/// <summary>What the fields of forms can be chosen from; the same for every company.</summary>
internal sealed record ChoicesView(
    IReadOnlyList<string> Currencies,
    IReadOnlyList<DayCountName> DayCounts,
    IReadOnlyList<string> TimeZones,
    IReadOnlyList<IdentifierName> Identifiers
);
