using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.Extensions.FileProviders;
using Scalar.AspNetCore;
using Serilog;
using Serilog.Events;

namespace KiteLine.Web;

/// <summary>The web application over a desk: the API, its description, and the built front end.</summary>
internal static class WebApp
{
    /// <param name="frontEnd">The folder of the built front end, or null to serve the API alone.</param>
    internal static WebApplication Build(Desk desk, string? frontEnd, Action<WebApplicationBuilder>? configure = null)
    {
        var builder = WebApplication.CreateSlimBuilder(new WebApplicationOptions { ContentRootPath = AppContext.BaseDirectory });
        builder.Host.UseSerilog((_, log) => log.MinimumLevel.Is(LogEventLevel.Warning)
            // What keeps the program from starting is told in words by the command.
            .MinimumLevel.Override("Microsoft.Extensions.Hosting.Internal.Host", LogEventLevel.Fatal).WriteTo.Console(standardErrorFromLevel: LogEventLevel.Verbose));
        builder.Services.AddSingleton(desk);
        builder.Services.AddSingleton<ExchangeKinds>();
        builder.Services.AddProblemDetails();
        builder.Services.AddExceptionHandler<Problems>();
        builder.Services.AddResponseCompression();
        builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
        builder.Services.ConfigureHttpJsonOptions(json =>
        {
            json.SerializerOptions.Converters.Add(new LenientText());
            json.SerializerOptions.DefaultIgnoreCondition = JsonIgnoreCondition.Never;
            json.SerializerOptions.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
            json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
        });
        builder.Services.AddOpenApi(options => options.AddSchemaTransformer<TextSchema>().AddDocumentTransformer((document, _, _) =>
        {
            document.Info = new() { Title = "Kite Line", Version = "v1", Description = "Money and rates are decimal strings, rates in percent per year; dates are ISO 8601." };
            document.Servers = [];
            return Task.CompletedTask;
        }));
        builder.WebHost.ConfigureKestrel(kestrel => kestrel.AddServerHeader = false);
        configure?.Invoke(builder);

        var app = builder.Build();
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseResponseCompression();
        app.Use((context, next) =>
        {
            context.Response.Headers.XContentTypeOptions = "nosniff";
            context.Response.Headers["Referrer-Policy"] = "same-origin";
            context.Response.Headers.XFrameOptions = "SAMEORIGIN";
            return next();
        });
        app.MapGet("/health", () => Results.Text("ok")).ExcludeFromDescription();
        app.MapOpenApi("/openapi/{documentName}.json");
        app.MapScalarApiReference("/docs", options =>
        {
            options.Title = "Kite Line API";
            options.DefaultFonts = false;
            // Nothing on the page reaches out: it runs with no network.
            options.ShowDeveloperTools = DeveloperToolsVisibility.Never;
            options.Telemetry = false;
            options.HideClientButton = true;
            options.Agent = new() { Disabled = true };
            options.Mcp = new() { Disabled = true };
        });
        var api = app.MapGroup("/api");
        api.MapCalculators();
        api.MapBoard();
        api.MapAccounts();
        api.MapCustomers();
        api.MapChangeMany();
        api.MapExchange();
        api.MapPostings();
        api.MapPolicies();
        api.MapCompany();
        api.MapFallback(() => Results.Problem(statusCode: 404, title: "Not found", detail: "There is no such address in this interface; see /docs.")).ExcludeFromDescription();
        if (frontEnd is not null) ServeFrontEnd(app, frontEnd);
        return app;
    }

    private static void ServeFrontEnd(WebApplication app, string folder)
    {
        var files = new PhysicalFileProvider(Path.GetFullPath(folder));
        app.UseStaticFiles(new StaticFileOptions
        {
            FileProvider = files,
            OnPrepareResponse = file =>
            {
                // Built assets carry a hash in their name; the page that names them is always asked for anew.
                file.Context.Response.Headers.CacheControl = file.Context.Request.Path.StartsWithSegments("/assets") ? "public, max-age=31536000, immutable" : "no-cache";
            },
        });
        app.MapFallbackToFile("index.html", new StaticFileOptions { FileProvider = files });
    }
}
