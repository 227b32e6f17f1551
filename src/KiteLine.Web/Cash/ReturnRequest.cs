namespace KiteLine.Web;

/// <param name="Posting">The posting of the receipt that came back.</param>
/// <param name="Reason">Left out, what the bank says.</param>
internal sealed record ReturnRequest(long Posting, string? Reason);
