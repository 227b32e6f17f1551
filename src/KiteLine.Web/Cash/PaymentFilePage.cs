namespace KiteLine.Web;

internal sealed record PaymentFilePage(long Total, IReadOnlyList<PaymentFileView> Items);
