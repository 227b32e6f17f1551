using System.Diagnostics.Metrics;
using Dapper;
using KiteLine.Store;
using OpenTelemetry.Metrics;

namespace KiteLine.Web;

/// <summary>
/// What is measured while the program runs, in the OpenTelemetry way: requests by route, commits, postings, lock waits,
/// what waits to be taken into the index, and how long ago the books were verified. It is read at <c>/metrics</c>, by
/// administrators and keys alone.
/// </summary>
internal sealed class Observing : IDisposable
{
    private const string Name = "KiteLine.Server";
    private readonly Meter _meter = new(Name);

    public Observing(Desk desk)
    {
        _meter.CreateObservableGauge(
            "kiteline.find.waiting",
            () => desk.Books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM find_queue")),
            "{account}",
            "Accounts that wait to be taken into the index"
        );
        _meter.CreateObservableGauge(
            "kiteline.books.verify_age",
            VerifyAge,
            "s",
            "Time since the books were found sound"
        );

        IEnumerable<Measurement<double>> VerifyAge()
        {
            if (LastVerified.Age(desk.Books.Path) is { } age)
                yield return new(age.TotalSeconds);
        }
    }

    internal static void Add(IServiceCollection services)
    {
        services.AddSingleton<Observing>();
        services
            .AddOpenTelemetry()
            .WithMetrics(metrics =>
                metrics.AddAspNetCoreInstrumentation().AddMeter(BookMeters.Name, Name).AddPrometheusExporter()
            );
    }

    internal static void Map(WebApplication app)
    {
        // It begins to measure when it is made.
        _ = app.Services.GetRequiredService<Observing>();
        app.MapPrometheusScrapingEndpoint("/metrics").ByAdministratorOrKey();
    }

    public void Dispose() => _meter.Dispose();
}
