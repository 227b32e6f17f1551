using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record CalendarRequest(
    string? Code,
    string? Name,
    IReadOnlyList<HolidayShape>? Holidays,
    string? Reason
);
