namespace KiteLine.Web;

/// <param name="Added">Rates that were not known before.</param>
internal sealed record RatesView(string BaseCurrency, int Added, IReadOnlyList<ExchangeRateView> Latest);
