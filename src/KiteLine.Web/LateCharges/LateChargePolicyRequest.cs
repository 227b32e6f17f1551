using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LateChargePolicyRequest(
    string? Code,
    string? Name,
    LateChargePolicyShape? Policy,
    string? Reason
);
