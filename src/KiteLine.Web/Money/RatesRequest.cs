namespace KiteLine.Web;

internal sealed record RatesRequest(IReadOnlyList<ExchangeRateShape>? Rates);
