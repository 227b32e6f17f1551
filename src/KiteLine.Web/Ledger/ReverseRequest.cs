using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="BankFee">What the bank took for a receipt that bounced, charged on to the customer; left out, nothing.</param>
internal sealed record ReverseRequest(string? Reason, string? BankFee = null);
