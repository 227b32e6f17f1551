namespace KiteLine.Core;

/// <summary>
/// The amounts of a reminder level in a currency that is not the base currency; what is null is converted.
/// </summary>
/// <param name="Currency">ISO 4217 code.</param>
public sealed record LevelAmounts(
    string Currency,
    decimal? LeastOverdue = null,
    ReminderFee? Fee = null,
    decimal? MostFee = null
);
