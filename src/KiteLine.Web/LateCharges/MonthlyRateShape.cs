using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record MonthlyRateShape(string? Percent, [property: TextOf(typeof(MonthsCounted))] string? Months);
