using Microsoft.AspNetCore.Mvc;

namespace KiteLine.Web;

/// <summary>What is answered to callers who are not known, may not do something, or come from another page.</summary>
internal static class Refusals
{
    internal static Task SignInFirst(HttpContext context) =>
        Write(
            context,
            401,
            "Sign in first",
            "You are not signed in, or your session has ended. Nothing was stored; sign in and send it again."
        );

    internal static Task NotAllowed(HttpContext context) =>
        Write(context, 403, "Not allowed", $"Your role does not allow this. Ask somebody who is {Least(context)}.");

    /// <summary>Lets no other page of a browser make it send changes with the cookie it holds.</summary>
    internal static Task FromHereOnly(HttpContext context, RequestDelegate next)
    {
        if (HttpMethods.IsGet(context.Request.Method) || HttpMethods.IsHead(context.Request.Method))
            return next(context);
        var origin = context.Request.Headers.Origin.ToString();
        var site = context.Request.Headers["Sec-Fetch-Site"].ToString();
        var foreign =
            origin.Length > 0
            && !(Uri.TryCreate(origin, UriKind.Absolute, out var from) && from.Authority == context.Request.Host.Value);
        return foreign || site is "cross-site" or "same-site"
            ? Write(context, 403, "Not from here", "This request was made by another page and is not carried out.")
            : next(context);
    }

    private static string Least(HttpContext context) =>
        context.GetEndpoint()?.Metadata.GetMetadata<Microsoft.AspNetCore.Authorization.IAuthorizeData>()?.Policy
        ?? "an administrator";

    private static Task Write(HttpContext context, int status, string title, string detail)
    {
        context.Response.StatusCode = status;
        return context.Response.WriteAsJsonAsync(
            new ProblemDetails
            {
                Status = status,
                Title = title,
                Detail = detail,
            },
            options: null,
            contentType: "application/problem+json"
        );
    }
}
