using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record PromiseView(
    long Id,
    DateOnly MadeOn,
    DateOnly DueOn,
    Money Amount,
    Money Received,
    PromiseState State,
    string Contact,
    string Note,
    string MadeBy
);
