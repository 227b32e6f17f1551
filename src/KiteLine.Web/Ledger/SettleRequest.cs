using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record SettleRequest(
    [property: MostCharacters(Bounds.FieldValue)] string? Outcome,
    bool? AgainstCustomer = null
);
