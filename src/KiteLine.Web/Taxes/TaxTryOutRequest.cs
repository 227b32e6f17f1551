using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TaxTryOutRequest(
    TaxCodeRequest? TaxCode,
    string? Currency,
    string? Goods,
    string? Freight,
    string? On
);
