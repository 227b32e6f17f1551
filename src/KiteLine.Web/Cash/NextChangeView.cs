using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record NextChangeView(DateOnly Date, string Reason);
