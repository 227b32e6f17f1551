using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>An account on which a what-if differs from what happened.</summary>
/// <param name="Difference">What it would have brought less what it brought.</param>
internal sealed record ReplayedAccountView(
    string Code,
    string Name,
    ReplayFiguresView Happened,
    ReplayFiguresView Would,
    MoneySum Difference,
    int Unexplained
)
{
    internal static ReplayedAccountView Of(ReplayedAccount a, Currency currency) =>
        new(
            a.Code,
            a.Name,
            ReplayFiguresView.Of(a.Happened, currency),
            ReplayFiguresView.Of(a.Would, currency),
            new((Int128)(a.Would.Brings - a.Happened.Brings), currency),
            a.Unexplained
        );
}
