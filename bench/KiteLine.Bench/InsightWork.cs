namespace KiteLine.Bench;

/// <summary>What a large book shows over time, over HTTP.</summary>
internal sealed class InsightWork(Results results)
{
    private static readonly string[] Keys = ["owner", "group", "account", "customerType", "currency", "terms"];

    internal void Run(Caller caller)
    {
        caller.Get("/api/ageing?by=owner");
        var ageing = Keys.Max(key => Clock.Milliseconds(() => caller.Get($"/api/ageing?by={key}&pageSize=100")));
        results.Plain("ageing by any key, after the first, the longest of six", $"{ageing:N0} ms", "—", "—", "300 ms");
        var first = Clock.Milliseconds(() => caller.Get("/api/measures")) / 1000;
        results.Plain("measures, the first after a start", Results.Seconds(first), "—", "—", "—");
        var course = Clock.Milliseconds(() => caller.Get("/api/measures/course")) / 1000;
        results.Plain("measures of 12 months, after the first", Results.Seconds(course), "—", "—", "2 s");
        var leakage = Clock.Milliseconds(() => caller.Get("/api/leakage?by=month")) / 1000;
        results.Plain("leakage of three months, case by case", Results.Seconds(leakage), "—", "—", "—");
        var forecast = Clock.Milliseconds(() => caller.Get("/api/cash-forecast")) / 1000;
        results.Plain(
            "cash forecast of 13 weeks, and the one of four weeks ago",
            Results.Seconds(forecast),
            "—",
            "—",
            "—"
        );
    }
}
