using System.Threading.RateLimiting;
using KiteLine.Store;
using Microsoft.AspNetCore.Http.Timeouts;

namespace KiteLine.Web;

/// <summary>
/// How long requests may take, and how many of those that take long run at once, so that the board answers whatever
/// others do. What takes longer ends, with nothing stored; so does what its caller has left.
/// </summary>
internal static class HeavyWork
{
    private const string Policy = "heavy";

    /// <summary>A request of a screen takes milliseconds; who waited so long has given up.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(60);

    /// <summary>A file with the largest book's customers is brought in within this.</summary>
    private static readonly TimeSpan LongestFile = TimeSpan.FromMinutes(10);

    /// <summary>Those that wait their turn; more would wait longer than anybody does.</summary>
    private const int Waiting = 16;

    // One processor is left for everybody else.
    private static readonly int AtOnce = Math.Max(1, Environment.ProcessorCount - 1);

    internal static void Add(IServiceCollection services)
    {
        services.AddRequestTimeouts(options =>
        {
            options.DefaultPolicy = Within(Longest);
            options.AddPolicy(Policy, Within(LongestFile));
        });
        services.AddRateLimiter(options =>
        {
            options.OnRejected = (refused, _) =>
                new(Told(refused.HttpContext, "The program is busy with large files; try again in a moment."));
            options.AddPolicy(
                Policy,
                _ =>
                    RateLimitPartition.GetConcurrencyLimiter(
                        Policy,
                        _ => new() { PermitLimit = AtOnce, QueueLimit = Waiting }
                    )
            );
        });
    }

    /// <summary>Ends what is done for a caller who has left or waited too long.</summary>
    internal static void Use(WebApplication app)
    {
        app.UseRequestTimeouts();
        app.UseRateLimiter();
        app.Use(
            async (context, next) =>
            {
                Wanted.By(context.RequestAborted);
                await next(context);
            }
        );
    }

    /// <summary>Marks an endpoint that reads or writes a file, or goes through the whole book.</summary>
    internal static TBuilder Heavy<TBuilder>(this TBuilder endpoint)
        where TBuilder : IEndpointConventionBuilder
    {
        endpoint.WithRequestTimeout(Policy);
        return endpoint.RequireRateLimiting(Policy);
    }

    private static RequestTimeoutPolicy Within(TimeSpan time) =>
        new()
        {
            Timeout = time,
            WriteTimeoutResponse = context =>
                Told(
                    context,
                    $"This took longer than {time.TotalSeconds:0} seconds and was ended; nothing was stored. Ask for less "
                        + "at once, or try again when fewer are at work."
                ),
        };

    private static Task Told(HttpContext context, string detail)
    {
        context.Response.Headers.RetryAfter = "5";
        return Results
            .Problem(statusCode: StatusCodes.Status503ServiceUnavailable, title: "Too much at once", detail: detail)
            .ExecuteAsync(context);
    }
}
