using System.Security.Claims;
using KiteLine.Store;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;

namespace KiteLine.Web;

/// <summary>How callers are known: people by a cookie that names a session of the books, programs by a key.</summary>
internal static class SignIn
{
    internal const string Session = "session";

    /// <summary>Under which sign-ins stand in the audit log.</summary>
    internal const string SignInSubject = "sign-in";

    /// <summary>A session ends after this long at the latest, however busy it is.</summary>
    internal static readonly TimeSpan LongestSession = TimeSpan.FromHours(12);

    /// <summary>A session ends after this long without a request.</summary>
    internal static readonly TimeSpan LongestPause = TimeSpan.FromHours(2);

    private const string Either = "either";

    internal static void Add(IServiceCollection services, Desk desk, Reachable reachable)
    {
        services.AddSingleton(new SignInThrottle(desk.Books.Clock));
        services
            .AddDataProtection()
            .SetApplicationName("kiteline")
            .PersistKeysToFileSystem(
                new DirectoryInfo(
                    OwnersFolder.Make(Path.Combine(Path.GetDirectoryName(Path.GetFullPath(desk.Books.Path))!, "keys"))
                )
            );
        services
            .AddAuthentication(Either)
            .AddPolicyScheme(
                Either,
                null,
                o =>
                    o.ForwardDefaultSelector = context =>
                        context.Request.Headers.Authorization.Count > 0
                            ? ApiKeyHandler.Scheme
                            : CookieAuthenticationDefaults.AuthenticationScheme
            )
            .AddScheme<AuthenticationSchemeOptions, ApiKeyHandler>(ApiKeyHandler.Scheme, null)
            .AddCookie(o =>
            {
                o.TimeProvider = desk.Books.Clock;
                // The demo and a company of one's own may be open side by side.
                o.Cookie.Name = desk.IsDemo ? "kiteline-demo" : "kiteline";
                o.Cookie.HttpOnly = true;
                o.Cookie.SameSite = SameSiteMode.Strict;
                // Behind a proxy that ends TLS a browser sends it over TLS alone.
                o.Cookie.SecurePolicy =
                    reachable.Proxies.Count > 0 ? CookieSecurePolicy.Always : CookieSecurePolicy.SameAsRequest;
                o.ExpireTimeSpan = LongestPause;
                o.SlidingExpiration = true;
                o.Events.OnValidatePrincipal = context =>
                {
                    var secret = context.Principal?.FindFirstValue(Session);
                    var user = secret is null
                        ? null
                        : desk.Books.Read(c => SessionStore.UserOf(c, secret, desk.Books.Clock.GetUtcNow()));
                    if (user is null)
                        context.RejectPrincipal();
                    else
                        context.HttpContext.Known(user.Acts(), user);
                    return Task.CompletedTask;
                };
                o.Events.OnRedirectToLogin = context => Refusals.SignInFirst(context.HttpContext);
                o.Events.OnRedirectToAccessDenied = context => Refusals.NotAllowed(context.HttpContext);
            });
        services.AddAuthorization(o => MayCall.AddPolicies(o, desk.IsDemo));
    }

    /// <summary>Where a caller calls from: the address of its machine, as far as that is known.</summary>
    internal static string From(HttpContext context) => context.Connection.RemoteIpAddress?.ToString() ?? "";

    /// <summary>Notes a try that was not right.</summary>
    internal static void Refused(HttpContext context, Desk desk, string name) =>
        desk.Books.Write(
            "sign-in",
            tx =>
            {
                Audit.Record(tx, SignInSubject, "refused", new { user = name, from = From(context) });
                return 0;
            }
        );

    /// <summary>Begins a session in place of the one this browser had.</summary>
    internal static async Task Begin(HttpContext context, Desk desk, User user)
    {
        var secret = desk.Books.Write(
            user.Acts(),
            tx =>
            {
                if (context.User.FindFirstValue(Session) is { } former)
                    SessionStore.End(tx, former);
                Audit.Record(tx, SignInSubject, "signed in", new { user = user.Name, from = From(context) });
                return SessionStore.Begin(tx, user, LongestSession);
            }
        );
        await context.SignInAsync(
            new ClaimsPrincipal(
                new ClaimsIdentity([new(Session, secret)], CookieAuthenticationDefaults.AuthenticationScheme)
            )
        );
    }

    internal static async Task End(HttpContext context, Desk desk)
    {
        if (context.User.FindFirstValue(Session) is { } secret)
            desk.Books.Write(
                context.Who(),
                tx =>
                {
                    SessionStore.End(tx, secret);
                    Audit.Record(tx, SignInSubject, "signed out", new { from = From(context) });
                    return 0;
                }
            );
        await context.SignOutAsync();
    }
}
