using Microsoft.Extensions.Primitives;

namespace KiteLine.Web;

/// <summary>
/// What is said of every answer, those that tell what went wrong included: it is what it says it is, it is framed by
/// nobody else, a page of it loads nothing from elsewhere, and what stands in the books is kept by no cache.
/// </summary>
internal static class ResponseHeaders
{
    // Ant Design writes its styles into the page.
    private const string OfPages =
        "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; "
        + "frame-src 'self' blob:; object-src 'none'; frame-ancestors 'self'; base-uri 'none'; form-action 'self'";

    // The description of the interface starts itself by a script within its page.
    private const string OfDescription =
        "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data: "
        + "blob:; font-src 'self' data:; object-src 'none'; frame-ancestors 'self'; base-uri 'none'; form-action 'self'";

    internal static Task Write(HttpContext context, RequestDelegate next)
    {
        // When the answer begins, since whoever tells an error clears what was written before.
        context.Response.OnStarting(() =>
        {
            var headers = context.Response.Headers;
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "same-origin";
            headers.XFrameOptions = "SAMEORIGIN";
            headers["Cross-Origin-Opener-Policy"] = "same-origin";
            headers["Permissions-Policy"] = "camera=(), geolocation=(), microphone=(), payment=()";
            headers.ContentSecurityPolicy = context.Request.Path.StartsWithSegments("/docs") ? OfDescription : OfPages;
            if (context.Request.Path.StartsWithSegments("/api"))
                headers.CacheControl = "no-store";
            // The page itself is asked for each time, so that it never goes with files of another version.
            else if (StringValues.IsNullOrEmpty(headers.CacheControl))
                headers.CacheControl = "no-cache";
            if (context.Request.IsHttps)
                headers.StrictTransportSecurity = "max-age=31536000";
            return Task.CompletedTask;
        });
        return next(context);
    }
}
