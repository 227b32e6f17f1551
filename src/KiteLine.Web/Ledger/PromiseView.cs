namespace KiteLine.Web;

internal sealed record PromiseView(
    long Id,
    string MadeOn,
    string DueOn,
    string Amount,
    string Received,
    string State,
    string Contact,
    string Note,
    string MadeBy
);
