using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record OrderEventView(
    int Seq,
    string Kind,
    string On,
    string Total,
    string Approved,
    string Invoiced,
    string? Until,
    string? Deposit,
    IReadOnlyList<KeptFindingView> Findings,
    string Reason,
    string MadeBy,
    string MadeAt
);
