using Dapper;
using KiteLine.Store;
using Microsoft.Extensions.Diagnostics.HealthChecks;

namespace KiteLine.Web;

/// <summary>
/// Whether requests can be served: the books are open, the work behind them goes on, and the disk takes what is written.
/// </summary>
internal sealed class Readiness(Desk desk, IEnumerable<IHostedService> workers) : IHealthCheck
{
    public async Task<HealthCheckResult> CheckHealthAsync(
        HealthCheckContext context,
        CancellationToken cancellationToken = default
    )
    {
        var ours = workers.OfType<Worker>().ToList();
        var stopped = ours.Where(w => w.ExecuteTask is { IsCompleted: true }).Select(w => w.GetType().Name).ToList();
        if (stopped.Count > 0)
            return HealthCheckResult.Unhealthy($"The work of {string.Join(", ", stopped)} has stopped.");
        try
        {
            Wanted.ByAll(() => desk.Books.Read(c => c.ExecuteScalar<long>("SELECT changes FROM company")));
            var trial = Path.Combine(
                Path.GetDirectoryName(Path.GetFullPath(desk.Books.Path))!,
                $".writable-{Guid.NewGuid():N}"
            );
            await using var file = new FileStream(
                trial,
                new FileStreamOptions
                {
                    Mode = FileMode.CreateNew,
                    Access = FileAccess.Write,
                    Options = FileOptions.DeleteOnClose,
                }
            );
            await file.WriteAsync(new byte[4096], cancellationToken);
            await file.FlushAsync(cancellationToken);
        }
        catch (Microsoft.Data.Sqlite.SqliteException e)
        {
            return HealthCheckResult.Unhealthy(DatabaseTrouble.Words(e));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return HealthCheckResult.Unhealthy($"The folder of the books cannot be written to: {e.Message}");
        }

        var troubles = ours.Select(w => w.Trouble).OfType<string>().ToList();
        return troubles.Count > 0
            ? HealthCheckResult.Degraded(string.Join("; ", troubles))
            : HealthCheckResult.Healthy("ready");
    }
}
