namespace KiteLine.Web;

internal sealed record CalendarView(
    string Code,
    string Name,
    int Version,
    IReadOnlyList<HolidayShape> Holidays,
    bool InUse,
    long Uses,
    string MadeBy,
    string MadeAt
);
