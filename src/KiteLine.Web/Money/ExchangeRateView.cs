using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ExchangeRateView(string Currency, DateOnly Date, string Rate, string Source, DateOnly Recorded);
