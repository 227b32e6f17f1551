using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ReasonRequest(string? Reason);
