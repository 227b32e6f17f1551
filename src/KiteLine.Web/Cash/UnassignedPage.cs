namespace KiteLine.Web;

internal sealed record UnassignedPage(long Total, IReadOnlyList<UnassignedReceiptView> Items);
