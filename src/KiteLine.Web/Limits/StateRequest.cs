using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record StateRequest(
    [property: TextOf(typeof(AccountState))] string? State,
    string? From,
    string? Reason
);
