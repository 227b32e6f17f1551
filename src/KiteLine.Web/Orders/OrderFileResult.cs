namespace KiteLine.Web;

internal sealed record OrderFileResult(
    bool Stored,
    int Approved,
    int Held,
    int Refused,
    IReadOnlyList<OrderFileRow> Rows
);
