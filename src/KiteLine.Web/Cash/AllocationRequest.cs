using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record AllocationRequest(
    string? Currency,
    string? ValueDate,
    string? Cash,
    [property: MostCharacters(Bounds.Note, Lines = true)] string? Text,
    [property: MostEntries(Bounds.OpenItems)] IReadOnlyList<AllocationItemShape>? Items,
    AllowanceShape? Allowance,
    int? DiscountGraceDays
);
