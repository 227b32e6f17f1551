using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record WorkingsView(string Title, IReadOnlyList<Working> Workings);
