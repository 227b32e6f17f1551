using System.Security.Claims;
using System.Text.Encodings.Web;
using KiteLine.Store;
using Microsoft.AspNetCore.Authentication;
using Microsoft.Extensions.Options;

namespace KiteLine.Web;

/// <summary>Knows a program by the key it sends as <c>Authorization: Bearer</c>.</summary>
internal sealed class ApiKeyHandler(
    IOptionsMonitor<AuthenticationSchemeOptions> options,
    ILoggerFactory logger,
    UrlEncoder encoder,
    Desk desk
) : AuthenticationHandler<AuthenticationSchemeOptions>(options, logger, encoder)
{
    internal new const string Scheme = "key";
    private const string Prefix = "Bearer ";

    protected override Task<AuthenticateResult> HandleAuthenticateAsync()
    {
        var header = Request.Headers.Authorization.ToString();
        if (!header.StartsWith(Prefix, StringComparison.OrdinalIgnoreCase))
            return Task.FromResult(AuthenticateResult.NoResult());
        var key = desk.Books.Read(c => ApiKeyStore.Find(c, header[Prefix.Length..].Trim()));
        if (key is null)
            return Task.FromResult(AuthenticateResult.Fail("There is no such key in use."));
        Context.Known(key.Acts(), null);
        return Task.FromResult(
            AuthenticateResult.Success(
                new(new ClaimsPrincipal(new ClaimsIdentity([new(ClaimTypes.Name, key.Name)], Scheme)), Scheme)
            )
        );
    }

    protected override Task HandleChallengeAsync(AuthenticationProperties properties)
    {
        Response.Headers.WWWAuthenticate = "Bearer";
        return Refusals.SignInFirst(Context);
    }

    protected override Task HandleForbiddenAsync(AuthenticationProperties properties) => Refusals.NotAllowed(Context);
}
