using Microsoft.AspNetCore.Mvc;

namespace KiteLine.Web;

/// <summary>Over which period and of which accounts measures are asked for.</summary>
/// <param name="From">The first day; the first of the month two months before the last day's where it is left out.</param>
/// <param name="To">The last day; the business date where it is left out.</param>
/// <param name="Account">The code of one account.</param>
/// <param name="Within">Only accounts with a value, such as <c>owner:Ann</c> or <c>field.region:Estuary</c>.</param>
internal sealed record MeasuresQuery(
    [property: FromQuery(Name = "from")] string? From,
    [property: FromQuery(Name = "to")] string? To,
    [property: FromQuery(Name = "account")] string? Account,
    [property: FromQuery(Name = "within")] string? Within
);
