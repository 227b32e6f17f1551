using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Limit and exposure at the end of a day.</summary>
internal sealed record CoursePoint(DateOnly Day, Money Limit, Money Exposure)
{
    internal static CoursePoint Of(ForecastDay d, Currency currency) =>
        new(d.Day, Money.FromMinor(d.Limit, currency), Money.FromMinor(d.Exposure, currency));
}
