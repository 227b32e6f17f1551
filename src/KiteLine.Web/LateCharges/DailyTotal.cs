using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record DailyTotal(DateOnly Date, Money Total);
