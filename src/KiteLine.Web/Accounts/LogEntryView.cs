using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LogEntryView(
    long Id,
    ContactKind Kind,
    DateOnly On,
    string Contact,
    string Text,
    string MadeBy,
    string MadeAt
);
