using KiteLine.Core;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing.Patterns;
using Microsoft.AspNetCore.Routing.Template;
using Microsoft.Net.Http.Headers;

namespace KiteLine.Web;

/// <summary>
/// What is answered where no endpoint takes a request: that there is no such address, that it is not asked in this way,
/// or that it wants another kind of content.
/// </summary>
internal static class NoSuchAddress
{
    // By name, since asking for the encoding of some fails. The second is a part of the first.
    private static readonly HashSet<string> Charsets = new(StringComparer.OrdinalIgnoreCase) { "utf-8", "us-ascii" };

    internal static IResult Answer(HttpContext context, EndpointDataSource endpoints, ParameterPolicyFactory policies)
    {
        var known = endpoints
            .Endpoints.OfType<RouteEndpoint>()
            .Where(e => e.RoutePattern.RawText is { } raw && !raw.Contains('*', StringComparison.Ordinal))
            .Where(e => Matches(e.RoutePattern, context, policies))
            .ToList();
        var asked = known
            .Where(e =>
                e.Metadata.GetMetadata<IHttpMethodMetadata>()?.HttpMethods.Contains(context.Request.Method) ?? true
            )
            .ToList();
        if (asked.Count > 0)
            return Results.Problem(
                statusCode: 415,
                title: "Another kind of content is wanted",
                detail: "Send "
                    + string.Join(
                        " or ",
                        asked.SelectMany(e => e.Metadata.GetMetadata<IAcceptsMetadata>()?.ContentTypes ?? []).Distinct()
                    )
                    + " and say so in the Content-Type header."
            );
        if (known.Count > 0)
        {
            var methods = known
                .SelectMany(e => e.Metadata.GetMetadata<IHttpMethodMetadata>()?.HttpMethods ?? [])
                .Distinct()
                .ToList();
            context.Response.Headers.Allow = string.Join(", ", methods);
            return Results.Problem(
                statusCode: 405,
                title: "Not asked in this way",
                detail: $"This address takes {string.Join(", ", methods)}."
            );
        }

        return Results.Problem(
            statusCode: 404,
            title: "Not found",
            detail: "There is no such address in this interface; see /docs."
        );
    }

    /// <summary>Refuses content whose characters cannot be read, before anybody reads it.</summary>
    /// <exception cref="RefusedException">The charset is another than UTF-8; names the header.</exception>
    internal static Task KnownCharset(HttpContext context, RequestDelegate next)
    {
        if (MediaTypeHeaderValue.TryParse(context.Request.ContentType, out var type) && type.Charset.HasValue)
        {
            var charset = HeaderUtilities.RemoveQuotes(type.Charset).ToString();
            if (!Charsets.Contains(charset))
                throw new RefusedException("Content-Type", $"Content is not read in ‘{charset}’; send UTF-8.");
            // The reader of the body does not know it in quotes.
            type.Charset = charset;
            context.Request.ContentType = type.ToString();
        }

        return next(context);
    }

    /// <summary>The shape of the address, and its parts as well: where a number belongs, a word leads nowhere.</summary>
    private static bool Matches(RoutePattern pattern, HttpContext context, ParameterPolicyFactory policies)
    {
        var values = new RouteValueDictionary();
        return new TemplateMatcher(new RouteTemplate(pattern), []).TryMatch(context.Request.Path, values)
            && pattern.ParameterPolicies.All(part =>
                part.Value.Select(policy => policies.Create(pattern.GetParameter(part.Key), policy))
                    .OfType<IRouteConstraint>()
                    .All(c => c.Match(context, null, part.Key, values, RouteDirection.IncomingRequest))
            );
    }
}
