using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A document that was open before these books began, as in a row of open-items.csv.</summary>
internal sealed record OpeningItemRequest(
    string? Document,
    [property: TextOf("invoice", "credit", "receipt")] string? Type,
    string? Date,
    string? Due,
    string? Net,
    string? Tax,
    string? Amount,
    string? Open,
    string? Terms,
    string? Reference
);
