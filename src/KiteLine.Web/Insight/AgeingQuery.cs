using Microsoft.AspNetCore.Mvc;

namespace KiteLine.Web;

/// <summary>What is asked of an ageing.</summary>
/// <param name="By">account, group, owner, controlGroup, customerType, currency or field.</param>
/// <param name="Field">Key of the company's own field, with <c>by=field</c>.</param>
/// <param name="Basis">due or invoice; the company's own where it is left out.</param>
/// <param name="Since">A day to compare with.</param>
/// <param name="Within">Only accounts with a value, such as <c>owner:Ann</c>, <c>group:</c> for those in none, or
/// <c>field.region:Estuary</c>.</param>
/// <param name="Currency">Only accounts in this currency.</param>
/// <param name="Sort">key, amount, change or the name of a bucket; with a minus sign downwards.</param>
internal sealed record AgeingQuery(
    [property: FromQuery(Name = "asOf")] string? AsOf,
    [property: FromQuery(Name = "by")] string? By,
    [property: FromQuery(Name = "field")] string? Field,
    [property: FromQuery(Name = "basis")] string? Basis,
    [property: FromQuery(Name = "since")] string? Since,
    [property: FromQuery(Name = "within")] string? Within,
    [property: FromQuery(Name = "currency")] string? Currency,
    [property: FromQuery(Name = "sort")] string? Sort,
    [property: FromQuery(Name = "page")] int? Page,
    [property: FromQuery(Name = "pageSize")] int? PageSize
);
