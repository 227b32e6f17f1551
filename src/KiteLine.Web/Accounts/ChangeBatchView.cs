using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ChangeBatchView(
    long Id,
    string Field,
    string Value,
    string Reason,
    string MadeBy,
    string MadeAt,
    string? UndoneBy,
    long Accounts
);
