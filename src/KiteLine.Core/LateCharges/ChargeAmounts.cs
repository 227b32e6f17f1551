namespace KiteLine.Core;

/// <summary>
/// The amounts of a late-charge policy in a currency that is not the base currency; what is null is converted.
/// </summary>
/// <param name="Currency">ISO 4217 code.</param>
/// <param name="BandsAbove">From which amounts the policy's bands hold, one for each band; null to convert
/// them.</param>
/// <param name="Compensation">The fixed sums by amount; null to convert them.</param>
public sealed record ChargeAmounts(
    string Currency,
    decimal? Minimum = null,
    decimal? Maximum = null,
    decimal? MaximumPerRun = null,
    decimal? MaximumOverLife = null,
    decimal? ExemptBelow = null,
    IReadOnlyList<decimal>? BandsAbove = null,
    IReadOnlyList<CompensationBand>? Compensation = null
);
