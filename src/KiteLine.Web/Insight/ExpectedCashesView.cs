namespace KiteLine.Web;

internal sealed record ExpectedCashesView(int Total, IReadOnlyList<ExpectedCashView> Items);
