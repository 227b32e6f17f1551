using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record DisputeView(
    long Id,
    long ItemId,
    string Document,
    string Amount,
    string From,
    string Owner,
    string Reason,
    string MadeBy,
    string? SettledOn,
    string? Outcome
);
