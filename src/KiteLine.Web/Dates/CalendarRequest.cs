using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record CalendarRequest(
    string? Code,
    string? Name,
    [property: MostEntries(Bounds.Holidays)] IReadOnlyList<HolidayShape>? Holidays,
    string? Reason
);
