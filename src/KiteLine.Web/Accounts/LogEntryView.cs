namespace KiteLine.Web;

internal sealed record LogEntryView(
    long Id,
    string Kind,
    string On,
    string Contact,
    string Text,
    string MadeBy,
    string MadeAt
);
