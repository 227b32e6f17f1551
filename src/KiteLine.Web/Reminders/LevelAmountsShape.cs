using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// The amounts of a level for accounts in one other currency; what is left out is converted at the rate of the day.
/// </summary>
internal sealed record LevelAmountsShape(
    string? Currency,
    string? LeastOverdue,
    ReminderFeeShape? Fee,
    string? MostFee
);
