using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record CheckFindingView(
    CheckFinding Kind,
    CheckResponse Response,
    string Text,
    Money? Beyond,
    IReadOnlyList<Working> Workings
);
