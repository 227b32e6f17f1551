using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Amount">What of the held part is released; all of it when empty.</param>
/// <param name="Until">The last day on which the release holds; without end when empty.</param>
internal sealed record DecideOrderRequest(string? Amount, string? Until, string? Reason);
