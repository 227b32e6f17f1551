using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record AgeingItemView(
    string Account,
    string Name,
    string Currency,
    string Document,
    ItemKind Kind,
    DateOnly Date,
    DateOnly Due,
    int Days,
    string Bucket,
    Money Open
);
