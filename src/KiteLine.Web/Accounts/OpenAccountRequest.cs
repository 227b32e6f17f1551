using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record OpenAccountRequest(
    string? Name,
    string? Code,
    string? Currency,
    string? Limit,
    string? Terms,
    string? LateChargePolicy,
    string? ReminderPlan,
    string? Group,
    string? Owner,
    string? Email,
    string? Address,
    IReadOnlyList<IdentifierShape>? Identifiers = null
);
