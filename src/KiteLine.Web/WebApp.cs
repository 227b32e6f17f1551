using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using KiteLine.Core;
using Microsoft.Extensions.FileProviders;
using Scalar.AspNetCore;
using Serilog;

namespace KiteLine.Web;

/// <summary>The web application over a desk: the API, its description, and the built front end.</summary>
internal static class WebApp
{
    /// <param name="frontEnd">The folder of the built front end, or null to serve the API alone.</param>
    /// <param name="reachable">Under which names and through which proxies; this machine alone where it is left
    /// out.</param>
    internal static WebApplication Build(
        Desk desk,
        string? frontEnd,
        Action<WebApplicationBuilder>? configure = null,
        Reachable? reachable = null
    )
    {
        reachable ??= Reachable.HereOnly;
        var builder = WebApplication.CreateSlimBuilder(
            new WebApplicationOptions { ContentRootPath = AppContext.BaseDirectory }
        );
        builder.Host.UseSerilog((_, log) => Logs.Configure(log));
        builder.Services.AddSingleton(desk);
        builder.Services.AddSingleton<ExchangeKinds>();
        StandIns.Add(builder.Services);
        builder.Services.AddHostedService<FindIndexing>();
        builder.Services.AddHostedService<Checkpointing>();
        builder.Services.AddSingleton<MailRoutes>();
        builder.Services.AddHostedService<Sending>();
        builder.Services.AddHostedService<RunWork>();
        builder.Services.AddHostedService<WhatIfWork>();
        builder.Services.AddHealthChecks().AddCheck<Readiness>("ready");
        SignIn.Add(builder.Services, desk, reachable);
        reachable.Add(builder.Services);
        HeavyWork.Add(builder.Services);
        Observing.Add(builder.Services);
        builder.Services.AddProblemDetails(o => o.CustomizeProblemDetails = Problems.Told);
        builder.Services.AddExceptionHandler<Problems>();
        builder.Services.AddResponseCompression();
        builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
        builder.Services.ConfigureHttpJsonOptions(json =>
        {
            json.SerializerOptions.Converters.Add(new LenientText());
            json.SerializerOptions.Converters.Add(new MoneyText());
            json.SerializerOptions.Converters.Add(new MoneyText.OfSum());
            json.SerializerOptions.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, false));
            json.SerializerOptions.TypeInfoResolverChain.Insert(0, new DefaultJsonTypeInfoResolver());
            json.SerializerOptions.DefaultIgnoreCondition = JsonIgnoreCondition.Never;
            json.SerializerOptions.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
            json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
        });
        builder.Services.AddOpenApi(options =>
        {
            options.CreateSchemaReferenceId = TextSchema.Reference;
            options
                .AddSchemaTransformer<TextSchema>()
                .AddDocumentTransformer(
                    (document, _, _) =>
                    {
                        document.Info = new()
                        {
                            Title = "Kite Line",
                            Version = "v1",
                            Description =
                                "Money and rates are decimal strings, rates in percent per year; dates are ISO 8601.",
                        };
                        document.Servers = [];
                        return Task.CompletedTask;
                    }
                );
        });
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            kestrel.AddServerHeader = false;
            kestrel.Limits.MaxRequestBodySize = Bounds.Request;
        });
        configure?.Invoke(builder);

        var app = builder.Build();
        app.Use(ResponseHeaders.Write);
        Logs.Use(app);
        app.UseExceptionHandler();
        reachable.Use(app);
        app.UseStatusCodePages();
        app.UseResponseCompression();
        if (frontEnd is not null)
            ServeAssets(app, frontEnd);
        app.Use((context, next) => Refusals.FromHereOnly(context, next));
        app.UseRouting();
        app.Use(Addresses.Slashes);
        app.Use(NoSuchAddress.KnownCharset);
        HeavyWork.Use(app);
        app.UseAuthentication();
        app.UseAuthorization();
        app.Use(Idempotency.Once);
        app.MapGet("/health", () => Results.Text("ok")).ByAnyone().ExcludeFromDescription();
        app.MapHealthChecks("/health/ready").ByAnyone();
        Observing.Map(app);
        app.MapOpenApi("/openapi/{documentName}.json").ByAnyone();
        app.MapScalarApiReference(
                "/docs",
                options =>
                {
                    options.Title = "Kite Line API";
                    options.DefaultFonts = false;
                    // Nothing on the page reaches out: it runs with no network.
                    options.ShowDeveloperTools = DeveloperToolsVisibility.Never;
                    options.Telemetry = false;
                    options.HideClientButton = true;
                    options.Agent = new() { Disabled = true };
                    options.Mcp = new() { Disabled = true };
                }
            )
            .ByAnyone();
        var api = app.MapGroup("/api");
        api.AddEndpointFilterFactory(InputBounds.Filter);
        api.MapSession();
        api.MapUsers();
        api.MapCalculators();
        api.MapBoard();
        api.MapAgeing();
        api.MapMeasures();
        api.MapLeakage();
        api.MapWhatIfs();
        api.MapOverviews();
        api.MapMailedViews();
        api.MapProvision();
        api.MapCashForecast();
        api.MapAccounts();
        api.MapFind();
        api.MapLimits();
        api.MapGroups();
        api.MapRates();
        api.MapChecks();
        api.MapOrders();
        api.MapToday();
        api.MapClaims();
        api.MapHolds();
        api.MapCalls();
        api.MapAccountStatements();
        api.MapStatementsOfMany();
        api.MapGroupStatements();
        api.MapCustomers();
        api.MapChangeMany();
        api.MapExchange();
        api.MapReceipts();
        api.MapSetOffs();
        api.MapCorrections();
        api.MapAmendments();
        api.MapOutbox();
        api.MapPaper();
        api.MapMailbox();
        api.MapMoves();
        api.MapStatements();
        api.MapBank();
        api.MapBankEntries();
        api.MapUnassignedReceipts();
        api.MapClearing();
        api.MapRefunds();
        api.MapBanking();
        api.MapBankAccounts();
        api.MapOpeningItems();
        api.MapInvoices();
        api.MapDocuments();
        api.MapReceivedDocuments();
        api.MapLateCharges();
        api.MapReminders();
        api.MapRuns();
        api.MapPostings();
        api.MapJournal();
        api.MapPolicies();
        api.MapCompany();
        api.MapFallback(NoSuchAddress.Answer).ByAnyone().ExcludeFromDescription();
        if (frontEnd is not null)
        {
            // A name in an address may have a dot, as a file has; what was built stands in a folder of its own.
            app.MapFallback("/assets/{**file}", () => Results.NotFound()).ByAnyone();
            app.MapFallbackToFile("{*path}", "index.html", new StaticFileOptions { FileProvider = Files(frontEnd) })
                .ByAnyone();
        }
        BuildEndpointsOnce(app);
        desk.Views.Use(app.Services);
        return app;
    }

    // A group builds its endpoints anew for everybody who asks for them, once for authorization and once for routing;
    // that is most of the time it takes to start and to answer the first request.
    private static void BuildEndpointsOnce(IEndpointRouteBuilder app)
    {
        var all = new DefaultEndpointDataSource(app.DataSources.SelectMany(s => s.Endpoints).ToArray());
        app.DataSources.Clear();
        app.DataSources.Add(all);
    }

    // Before callers are asked who they are: the page by which one signs in is itself made of these files.
    private static void ServeAssets(WebApplication app, string folder) =>
        app.UseStaticFiles(
            new StaticFileOptions
            {
                FileProvider = Files(folder),
                OnPrepareResponse = file =>
                {
                    // Built assets carry a hash in their name; the page that names them is always asked for anew.
                    file.Context.Response.Headers.CacheControl = file.Context.Request.Path.StartsWithSegments("/assets")
                        ? "public, max-age=31536000, immutable"
                        : "no-cache";
                },
            }
        );

    private static PhysicalFileProvider Files(string folder) => new(Path.GetFullPath(folder));
}
