using Serilog;
using Serilog.Core;
using Serilog.Events;
using Serilog.Formatting.Compact;

namespace KiteLine.Web;

/// <summary>
/// What the program tells its operator on standard error: a line of JSON each where it goes to a file or a collector, plain
/// lines on a terminal. It bears no secret and no text of a customer: requests are named by their route, callers by what
/// they are in the books.
/// </summary>
internal static class Logs
{
    /// <summary>The least that is told: Debug, Information, Warning or Error.</summary>
    internal const string Level = "KITELINE_LOG";

    // The framework says the path with everything it tells during a request, and codes of customers stand in it.
    private sealed class WithoutPath : ILogEventEnricher
    {
        public void Enrich(LogEvent logEvent, ILogEventPropertyFactory propertyFactory) =>
            logEvent.RemovePropertyIfPresent("RequestPath");
    }

    /// <exception cref="KiteLine.Core.RefusedException">The level is none; names <c>KITELINE_LOG</c>.</exception>
    internal static void Configure(LoggerConfiguration log)
    {
        log.MinimumLevel.Is(Least(Environment.GetEnvironmentVariable(Level)))
            // Told by the line about each request.
            .MinimumLevel.Override("Microsoft.AspNetCore", LogEventLevel.Warning)
            .MinimumLevel.Override("Microsoft.AspNetCore.Diagnostics", LogEventLevel.Fatal)
            // A server without the feature that a bound of one address needs, as in tests, has the bound of all.
            .MinimumLevel.Override("Microsoft.AspNetCore.Routing.EndpointRoutingMiddleware", LogEventLevel.Error)
            // Keys in a folder of the owner's are as safe as the books beside them.
            .MinimumLevel.Override("Microsoft.AspNetCore.DataProtection", LogEventLevel.Error)
            // What keeps the program from starting is told in words by the command.
            .MinimumLevel.Override("Microsoft.Extensions.Hosting.Internal.Host", LogEventLevel.Fatal);
        log.Enrich.With<WithoutPath>();
        if (Console.IsErrorRedirected)
            log.WriteTo.Console(new CompactJsonFormatter(), standardErrorFromLevel: LogEventLevel.Verbose);
        else
            log.WriteTo.Console(standardErrorFromLevel: LogEventLevel.Verbose);
    }

    /// <summary>Tells of each request: what failed always, whom it refused as a warning, the others as information.</summary>
    internal static void Use(WebApplication app) =>
        app.UseSerilogRequestLogging(o =>
        {
            o.MessageTemplate = "{RequestMethod} {Route} answered {StatusCode} in {Elapsed:0} ms to {Caller}";
            o.IncludeQueryInRequestPath = false;
            o.GetMessageTemplateProperties = (context, _, elapsed, status) =>
                [
                    new("RequestMethod", new ScalarValue(context.Request.Method)),
                    new("Route", new ScalarValue(Route(context))),
                    new("StatusCode", new ScalarValue(status)),
                    new("Elapsed", new ScalarValue(elapsed)),
                    new("Caller", new ScalarValue(Caller(context))),
                ];
            o.GetLevel = (context, _, failure) =>
                failure is not null || context.Response.StatusCode >= 500 ? LogEventLevel.Error
                : context.Response.StatusCode == 403 ? LogEventLevel.Warning
                : LogEventLevel.Information;
        });

    private static LogEventLevel Least(string? given) =>
        string.IsNullOrEmpty(given) ? LogEventLevel.Warning
        : Enum.TryParse<LogEventLevel>(given, ignoreCase: true, out var level) && Enum.IsDefined(level) ? level
        : throw new KiteLine.Core.RefusedException(
            Level,
            $"{Level} is {given}; give Debug, Information, Warning or Error."
        );

    // The pattern and not the path, in which codes and names of customers stand.
    private static string Route(HttpContext context) =>
        (context.GetEndpoint() as RouteEndpoint)?.RoutePattern.RawText ?? "no address of this program";

    private static string Caller(HttpContext context) => context.KnownActor()?.Identity ?? "nobody signed in";
}
