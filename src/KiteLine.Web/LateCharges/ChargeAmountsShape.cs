using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// The amounts of a policy for accounts in one other currency; what is left out is converted at the rate of the day.
/// </summary>
internal sealed record ChargeAmountsShape(
    string? Currency,
    string? Minimum,
    string? Maximum,
    string? MaximumPerRun,
    string? MaximumOverLife,
    string? ExemptBelow,
    [property: MostEntries(Bounds.Bands)] IReadOnlyList<string>? BandsAbove,
    [property: MostEntries(Bounds.Bands)] IReadOnlyList<CompensationShape>? Compensation
);
