namespace KiteLine.Web;

internal sealed record RefundPage(long Total, IReadOnlyList<RefundView> Items);
