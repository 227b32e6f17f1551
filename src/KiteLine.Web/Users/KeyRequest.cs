using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record KeyRequest(string? Name, string? Role);
