using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>
/// Makes the files of views that are mailed: by the very addresses that give them to whoever looks at them, of the business
/// date.
/// </summary>
internal sealed class ViewFiles
{
    // What mail servers commonly take, less what the encoding adds.
    private const int Largest = 15_000_000;

    private IServiceProvider? _services;

    /// <summary>Lets it find the addresses, once they are mapped.</summary>
    internal void Use(IServiceProvider services) => _services = services;

    /// <summary>The file of a view.</summary>
    /// <param name="name">Of the file, without its ending.</param>
    /// <exception cref="RefusedException">The view cannot be asked for so, or is too large to be mailed.</exception>
    internal MessageFile File(string name, ViewOfMessage view)
    {
        var services = _services ?? throw new InvalidOperationException("Views are mailed by the server alone.");
        var endpoint = services
            .GetRequiredService<EndpointDataSource>()
            .Endpoints.Single(e =>
                e.Metadata.GetMetadata<IEndpointNameMetadata>()?.EndpointName == NameOf(view.Report)
            );
        var place = PlaceOf(view.Report);
        using var scope = services.CreateScope();
        using var body = new MemoryStream();
        var context = new DefaultHttpContext { RequestServices = scope.ServiceProvider };
        context.Request.Method = HttpMethods.Get;
        context.Request.QueryString = new(
            $"?{MailedView.WithoutDays(view.Query)}&format={view.Format}".Replace("?&", "?", StringComparison.Ordinal)
        );
        context.Response.Body = body;
        if (place is not null)
            context.Request.RouteValues[place] = MailedView.OfIn(view.Query);
        try
        {
            // What is refused is told as it is told to whoever looks.
            endpoint.RequestDelegate!(context).GetAwaiter().GetResult();
        }
        catch (NotThereException e)
        {
            throw new RefusedException("query", e.Message);
        }

        if (context.Response.StatusCode != StatusCodes.Status200OK)
            throw new RefusedException("query", "The view cannot be asked for so.");
        if (body.Length > Largest)
            throw new RefusedException(
                "query",
                $"The file has {body.Length / 1_000_000} MB, more than is mailed; narrow the view down."
            );
        return new($"{name}.{view.Format}", context.Response.ContentType ?? "application/octet-stream", body.ToArray());
    }

    // Where the address has the account, group or what-if; null where it has none.
    private static string? PlaceOf(MailedReport report) =>
        report switch
        {
            MailedReport.Overview or MailedReport.Statement => "code",
            MailedReport.GroupStatement => "name",
            MailedReport.WhatIf => "id",
            _ => null,
        };

    private static string NameOf(MailedReport report) =>
        report switch
        {
            MailedReport.Ageing => "exportAgeing",
            MailedReport.Measures => "exportMeasures",
            MailedReport.Leakage => "exportLeakage",
            MailedReport.CashForecast => "exportCashForecast",
            MailedReport.Provision => "exportProvision",
            MailedReport.Overview => "printOverview",
            MailedReport.Statement => "getAccountStatementFile",
            MailedReport.GroupStatement => "getGroupStatementFile",
            MailedReport.WhatIf => "exportWhatIf",
            _ => throw new ArgumentOutOfRangeException(nameof(report), report, null),
        };
}
