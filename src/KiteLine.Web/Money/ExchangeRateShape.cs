using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ExchangeRateShape(string? Currency, string? Date, string? Rate);
