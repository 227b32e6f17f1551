using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Holiday calendars.</summary>
internal static class CalendarEndpoints
{
    internal static void Map(RouteGroupBuilder policies)
    {
        policies.MapKind<HolidayCalendar, CalendarRequest, CalendarView>(
            "calendars",
            PolicyKind.Calendar,
            "Calendars",
            "Calendar",
            "holiday calendars",
            Read,
            View
        );
        policies
            .MapPost(
                "/calendars/from-file",
                (HolidayFileRequest request, Desk desk) =>
                {
                    var fields = new Fields();
                    var from = fields.Date("from", request.From);
                    var to = fields.Date("to", request.To);
                    if (to < from || to > from.AddYears(20))
                        fields.Bad("to", "Give a last day after the first, at most 20 years later.");
                    if (string.IsNullOrWhiteSpace(request.Text))
                        fields.Bad("text", "Give the text of an iCalendar file.");
                    fields.ThrowIfAny();
                    return HolidayFile.Read(request.Text!, from, to).Select(Shape).ToList();
                }
            )
            .By(Role.Viewer)
            .Heavy()
            .WithName("readHolidayFile")
            .WithSummary("The holidays an iCalendar file holds between two days; nothing is stored")
            .ProducesProblem(400);
    }

    private static HolidayShape Shape(Holiday holiday) => new($"{holiday.Date:yyyy-MM-dd}", holiday.Name);

    private static PolicyRoutes.Given<HolidayCalendar> Read(CalendarRequest request, Desk desk)
    {
        var fields = new Fields();
        var calendar = new HolidayCalendar
        {
            Holidays =
            [
                .. (request.Holidays ?? [])
                    .Select((h, i) => new Holiday(fields.Date($"holidays[{i}].date", h.Date), h.Name?.Trim() ?? ""))
                    .OrderBy(h => h.Date),
            ],
        };
        fields.ThrowIfAny();
        RefusedException.ThrowIfAny(calendar.Problems());
        return new(request.Code, request.Name, calendar, request.Reason);
    }

    private static CalendarView View(StoredPolicy<HolidayCalendar> p, long uses, Desk desk) =>
        new(
            p.Code,
            p.Name,
            p.Version,
            [.. p.Definition.Holidays.Select(Shape)],
            desk.Snapshots.Current.Settings.Calendar == p.Code,
            uses,
            p.MadeBy,
            p.MadeAt
        );
}
