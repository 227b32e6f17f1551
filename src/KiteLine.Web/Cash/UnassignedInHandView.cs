namespace KiteLine.Web;

/// <summary>A receipt without an account, and what it could settle.</summary>
internal sealed record UnassignedInHandView(UnassignedReceiptView Receipt, PlacingView Placing);
