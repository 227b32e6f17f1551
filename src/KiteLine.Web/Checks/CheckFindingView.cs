using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record CheckFindingView(
    string Kind,
    string Response,
    string Text,
    string? Beyond,
    IReadOnlyList<Working> Workings
);
