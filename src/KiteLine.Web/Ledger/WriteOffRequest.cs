namespace KiteLine.Web;

/// <param name="Amount">Left out, all that is open.</param>
/// <param name="BadDebt">True for a debt that will not be paid; else it is a small difference.</param>
internal sealed record WriteOffRequest(string? Amount, bool? BadDebt, string? Reason);
