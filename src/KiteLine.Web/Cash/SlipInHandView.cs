namespace KiteLine.Web;

/// <summary>A slip with its receipts.</summary>
internal sealed record SlipInHandView(SlipView Slip, IReadOnlyList<HandReceiptView> Receipts);
