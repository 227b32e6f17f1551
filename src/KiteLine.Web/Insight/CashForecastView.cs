using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Currency">The base currency, in which all amounts are.</param>
/// <param name="Expected">Of all thirteen weeks.</param>
/// <param name="Later">Expected after them.</param>
/// <param name="Former">The four weeks up to the day: what was expected at their beginning, and what came.</param>
internal sealed record CashForecastView(
    DateOnly AsOf,
    string Currency,
    IReadOnlyList<CashWeekView> Weeks,
    MoneySum Expected,
    MoneySum Later,
    MoneySum Disputed,
    MoneySum HandedOver,
    IReadOnlyList<CashComparedView> Former,
    IReadOnlyList<string> WithoutRate
);
