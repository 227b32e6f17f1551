using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record CashWeekView(
    DateOnly From,
    DateOnly To,
    MoneySum Promised,
    MoneySum Usual,
    MoneySum Late,
    MoneySum Sum
)
{
    internal static CashWeekView Of(CashWeek w) => new(w.From, w.To, w.Promised, w.Usual, w.Late, w.Sum);
}
