using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record RemoveRequest(string? Reason);
