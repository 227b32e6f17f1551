using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record NextChangeView(string Date, string Reason);
