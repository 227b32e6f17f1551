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
    [property: MostCharacters(Bounds.FieldValue, Lines = true)] string? Address,
    IReadOnlyList<IdentifierShape>? Identifiers = null
);
