using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Days and year fraction between two dates.</summary>
internal static class DayCountCalculator
{
    internal static DayCountAnswer Calculate(DayCountRequest request)
    {
        var fields = new Fields();
        var start = fields.Date("start", request.Start);
        var end = fields.Date("end", request.End);
        var convention = DayCount.Find(request.Convention);
        if (convention is null)
            fields.Bad("convention", $"Choose one of {string.Join(", ", DayCount.All)}.");
        if (start > end)
            fields.Bad("end", "The end is not before the start.");
        fields.ThrowIfAny();

        var days = convention!.Days(start, end);
        var fraction = Exactly.Figure(convention.YearFraction(start, end), 12, 20);
        return new(
            days,
            fraction,
            [
                new("Days", $"{Exactly.Day(start)} to {Exactly.Day(end)}, {convention.Title}", $"{days}"),
                new("Year fraction", convention.Explain(start, end), fraction),
            ]
        );
    }
}
