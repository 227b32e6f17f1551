using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record KeyView(
    long Id,
    string Name,
    Role Role,
    string MadeBy,
    string MadeAt,
    string? RevokedBy,
    string? RevokedAt,
    string? Secret
)
{
    internal static KeyView Of(ApiKey k, string? secret = null) =>
        new(k.Id, k.Name, k.Role, k.MadeBy, k.MadeAt, k.RevokedBy, k.RevokedAt, secret);
}
