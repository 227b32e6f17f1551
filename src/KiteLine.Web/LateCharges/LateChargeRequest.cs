using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LateChargeRequest(
    string? Currency,
    string? Amount,
    string? DueDate,
    [property: MostEntries(Bounds.Movements)] IReadOnlyList<MovementShape>? Movements,
    string? ChargedThrough,
    string? Through,
    LateChargePolicyShape? Policy
);
