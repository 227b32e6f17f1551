using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ExchangeRateView(string Currency, string Date, string Rate, string Source, string Recorded);
