namespace KiteLine.Web;

/// <param name="Posting">The posting of the receipt that came back.</param>
/// <param name="BankFee">What the bank took for it, charged on to the customer; left out, nothing.</param>
/// <param name="Reason">Left out, what the bank says.</param>
internal sealed record ReturnRequest(long Posting, string? Reason, string? BankFee = null);
