using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record OrderEventView(
    int Seq,
    OrderStepKind Kind,
    DateOnly On,
    Money Total,
    Money Approved,
    Money Invoiced,
    DateOnly? Until,
    Money? Deposit,
    IReadOnlyList<KeptFindingView> Findings,
    string Reason,
    string MadeBy,
    string MadeAt
);
