using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record RunChangeView(RunChangeKind Kind, string? Document, Money? Amount, int? Level, string Reason);
