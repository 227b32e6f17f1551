using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record DisputeView(
    long Id,
    long ItemId,
    string Document,
    Money Amount,
    DateOnly From,
    string Owner,
    string Reason,
    string MadeBy,
    DateOnly? SettledOn,
    string? Outcome,
    bool? AgainstCustomer
);
