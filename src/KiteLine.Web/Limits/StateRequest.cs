using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record StateRequest(string? State, string? From, string? Reason);
