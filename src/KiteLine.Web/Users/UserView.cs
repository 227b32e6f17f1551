using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record UserView(
    long Id,
    string Name,
    string FullName,
    Role Role,
    AuthorityShape Authority,
    bool Active,
    long Version
)
{
    internal static UserView Of(User u) =>
        new(u.Id, u.Name, u.FullName, u.Role, AuthorityShape.Of(u.Authority), u.Active, u.Version);
}
