using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record KeptFindingView(CheckFinding Kind, CheckResponse Response, string Text);
