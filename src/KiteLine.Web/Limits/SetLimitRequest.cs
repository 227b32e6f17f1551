using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record SetLimitRequest(
    string? Amount,
    string? From,
    string? Until,
    string? Reason,
    [property: TextOf(typeof(LimitSource))] string? Source = null,
    string? Insured = null,
    string? Security = null,
    string? SecurityAmount = null,
    string? ReviewOn = null
);
