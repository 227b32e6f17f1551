namespace KiteLine.Web;

internal sealed record HandReceiptPage(long Total, IReadOnlyList<HandReceiptView> Items);
