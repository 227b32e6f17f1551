using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record UserRequest(
    string? Name,
    string? FullName,
    [property: TextOf(typeof(Role))] string? Role,
    AuthorityShape? Authority,
    bool? Active,
    string? Password,
    string? Reason
);
