using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What documents in one currency come to.</summary>
/// <param name="Before">What was settled of them before the books began, which no document shows.</param>
internal sealed record MeasuredSumView(string Currency, MoneySum Amount, MoneySum Before);
