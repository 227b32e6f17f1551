using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ActRequest([property: TextOf(typeof(MessageAct))] string? Act, string? Reason);
