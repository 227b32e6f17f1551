using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ReverseRequest(string? Reason);
