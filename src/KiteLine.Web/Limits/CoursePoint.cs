using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Limit and exposure at the end of a day.</summary>
internal sealed record CoursePoint(string Day, string Limit, string Exposure)
{
    internal static CoursePoint Of(ForecastDay d, Currency currency) =>
        new($"{d.Day:yyyy-MM-dd}", $"{Money.FromMinor(d.Limit, currency)}", $"{Money.FromMinor(d.Exposure, currency)}");
}
