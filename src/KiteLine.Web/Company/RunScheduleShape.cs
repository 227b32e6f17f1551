using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A run that is proposed by itself.</summary>
/// <param name="Kind">late-charges or reminders.</param>
/// <param name="Number">With weekly the day, 1 for Monday to 5 for Friday; with monthly which business day.</param>
/// <param name="Post">Whether it is posted too, without anybody having read it.</param>
/// <param name="Send">Whether what it posts goes out to the customers.</param>
internal sealed record RunScheduleShape(
    string? Kind,
    [property: TextOf(typeof(RunRhythm))] string? Rhythm,
    int? Number,
    bool? Post,
    bool? Send
)
{
    internal static RunScheduleShape Of(RunSchedule s) =>
        new(
            s.Kind == RunKind.LateCharges ? "late-charges" : "reminders",
            Fields.Name(s.Rhythm),
            s.Number,
            s.Post,
            s.Send
        );

    /// <param name="at">Where it stands, such as <c>runSchedules[0].</c>.</param>
    internal RunSchedule Read(string at, Fields fields)
    {
        var schedule = new RunSchedule(
            RunEndpoints.Kind(fields, Kind, at),
            fields.Choice($"{at}rhythm", Rhythm, (RunRhythm?)RunRhythm.Daily),
            Number ?? 1,
            Post ?? false,
            Send ?? false
        );
        foreach (var (field, message) in schedule.Timing.Problems())
            fields.Bad(at + field, message);
        return schedule;
    }
}
