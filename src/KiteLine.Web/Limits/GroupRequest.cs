using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record GroupRequest(string? Name, string? Currency, string? Parent, string? Reason);
