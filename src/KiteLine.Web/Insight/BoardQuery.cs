using Microsoft.AspNetCore.Mvc;

namespace KiteLine.Web;

/// <summary>What is asked of the board. All that is given must hold.</summary>
/// <param name="State">One or more of open, watch and stop.</param>
/// <param name="UtilisationFrom">Exposure in percent of the limit, from this on.</param>
/// <param name="OverdueFrom">Overdue from this amount on, in the account's currency.</param>
/// <param name="AgeFrom">The oldest debit is at least this many days past due.</param>
/// <param name="Field">A field of the company and its value, such as <c>region:Estuary</c>.</param>
/// <param name="Since">A day with which exposures are compared; <c>sort=change</c> sorts by the difference.</param>
internal sealed record BoardQuery(
    [property: FromQuery(Name = "asOf")] string? AsOf,
    [property: FromQuery(Name = "sort")] string? Sort,
    [property: FromQuery(Name = "filter")] string? Filter,
    [property: FromQuery(Name = "q")] string? Q,
    [property: FromQuery(Name = "page")] int? Page,
    [property: FromQuery(Name = "pageSize")] int? PageSize,
    [property: FromQuery(Name = "owner")] string? Owner = null,
    [property: FromQuery(Name = "group")] string? Group = null,
    [property: FromQuery(Name = "state")] string? State = null,
    [property: FromQuery(Name = "utilisationFrom")] string? UtilisationFrom = null,
    [property: FromQuery(Name = "utilisationTo")] string? UtilisationTo = null,
    [property: FromQuery(Name = "overdueFrom")] string? OverdueFrom = null,
    [property: FromQuery(Name = "ageFrom")] int? AgeFrom = null,
    [property: FromQuery(Name = "reviewBy")] string? ReviewBy = null,
    [property: FromQuery(Name = "promise")] string? Promise = null,
    [property: FromQuery(Name = "field")] string? Field = null,
    [property: FromQuery(Name = "since")] string? Since = null
);
