using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record KeyRequest(string? Name, [property: TextOf(typeof(Role))] string? Role);
