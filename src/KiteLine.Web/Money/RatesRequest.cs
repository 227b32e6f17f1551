using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record RatesRequest([property: MostEntries(Bounds.Holidays)] IReadOnlyList<ExchangeRateShape>? Rates);
