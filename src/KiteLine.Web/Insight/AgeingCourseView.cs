namespace KiteLine.Web;

/// <param name="Currency">The base currency, in which all amounts are.</param>
/// <param name="WithoutRate">Currencies that are left out on some day, as there is no rate.</param>
internal sealed record AgeingCourseView(
    string Currency,
    IReadOnlyList<string> Buckets,
    IReadOnlyList<AgeingPointView> Points,
    IReadOnlyList<string> WithoutRate
);
