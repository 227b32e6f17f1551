namespace KiteLine.Web;

/// <param name="Id">The item it is about; null where it is about the receipt.</param>
/// <param name="DaysLate">How late a discount was taken; null for other findings.</param>
internal sealed record AllocationFindingView(string Code, string Text, string? Id, int? DaysLate);
