using System.Net;
using KiteLine.Core;
using Microsoft.AspNetCore.HttpOverrides;

namespace KiteLine.Web;

/// <summary>
/// Under which names the program is reached, and through which proxies. A page of somebody else's whose name is made to
/// point here is refused; what a proxy says of a caller is believed of the named ones alone.
/// </summary>
/// <param name="Hosts">Names beside this machine's own, such as <c>credit.example</c>.</param>
/// <param name="Proxies">Addresses of proxies that end TLS in front of it.</param>
internal sealed record Reachable(IReadOnlyList<string> Hosts, IReadOnlyList<IPAddress> Proxies)
{
    private static readonly string[] Here = ["localhost", "127.0.0.1", "[::1]"];

    internal static Reachable HereOnly { get; } = new([], []);

    /// <summary>From the command line, or else from <c>KITELINE_HOSTS</c> and <c>KITELINE_PROXIES</c>.</summary>
    /// <exception cref="RefusedException">A host is no name, or a proxy no address.</exception>
    internal static Reachable Of(string[]? hosts, string[]? proxies)
    {
        var names = Listed(hosts, "KITELINE_HOSTS");
        foreach (var name in names)
            if (Uri.CheckHostName(name.Trim('[', ']')) == UriHostNameType.Unknown)
                throw new RefusedException("host", $"--host is ‘{name}’; give a name such as credit.example.");
        return new(
            names,
            [
                .. Listed(proxies, "KITELINE_PROXIES")
                    .Select(p =>
                        IPAddress.TryParse(p, out var address)
                            ? address
                            : throw new RefusedException(
                                "proxy",
                                $"--proxy is ‘{p}’; give an address such as 10.0.0.5."
                            )
                    ),
            ]
        );
    }

    internal void Add(IServiceCollection services)
    {
        // The framework looks at the name before anything else.
        services.AddHostFiltering(o => o.AllowedHosts = [.. Here, .. Hosts]);
        services.Configure<ForwardedHeadersOptions>(o =>
        {
            o.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
            // By default every program on this machine is believed.
            o.KnownIPNetworks.Clear();
            o.KnownProxies.Clear();
            foreach (var proxy in Proxies)
                o.KnownProxies.Add(proxy);
        });
    }

    internal void Use(WebApplication app)
    {
        if (Proxies.Count > 0)
            app.UseForwardedHeaders();
    }

    private static string[] Listed(string[]? given, string variable) =>
        given is { Length: > 0 }
            ? given
            : (Environment.GetEnvironmentVariable(variable) ?? "").Split(
                ',',
                StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
            );
}
