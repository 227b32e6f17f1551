using System.Text;
using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace KiteLine.Web;

/// <summary>
/// Requests that bear an <c>Idempotency-Key</c> are carried out once. Sent again they get the whole answer that the
/// first was given, byte for byte, with the header <c>Idempotency-Replayed: true</c>.
/// </summary>
internal static class Idempotency
{
    // Larger than any file that is taken in; a longer body is refused by the endpoint that reads it.
    private const int MostBytes = 64 * 1024 * 1024;
    private static readonly object Key = new();

    /// <summary>Stands at endpoints whose request holds a password: its content is not compared.</summary>
    internal sealed record HoldsSecret;

    /// <summary>Stands at endpoints whose answer holds a secret: it is told once and not kept.</summary>
    internal sealed record TellsSecret;

    /// <summary>The mark of a request that bears a key; null for others.</summary>
    internal static MarkedRequest? Of(HttpContext context) => context.Items[Key] as MarkedRequest;

    /// <summary>The answer to a request as it will be sent.</summary>
    internal static GivenAnswer Answer<T>(HttpContext context, T answer) =>
        new(
            200,
            "application/json; charset=utf-8",
            context.GetEndpoint()?.Metadata.GetMetadata<TellsSecret>() is not null
                ? null
                : JsonSerializer.SerializeToUtf8Bytes(
                    answer,
                    context.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions
                )
        );

    internal static async Task Once(HttpContext context, RequestDelegate next)
    {
        var request = context.Request;
        if (
            HttpMethods.IsGet(request.Method)
            || HttpMethods.IsHead(request.Method)
            || !request.Path.StartsWithSegments("/api")
            || context.KnownActor() is not { } actor
            || request.Query["preview"] == "true"
            || string.IsNullOrWhiteSpace(request.Headers["Idempotency-Key"])
        )
        {
            await next(context);
            return;
        }

        var desk = context.RequestServices.GetRequiredService<Desk>();
        var marked = MarkedRequest.Of(actor.Identity, request.Headers["Idempotency-Key"], await Asked(context));
        context.Items[Key] = marked;
        if (await Told(context, desk, marked!))
            return;
        try
        {
            await next(context);
        }
        catch (AnsweredMeanwhileException)
        {
            await Told(context, desk, marked!);
        }
    }

    private static async Task<bool> Told(HttpContext context, Desk desk, MarkedRequest marked)
    {
        if (desk.Books.Read(c => Requests.Earlier(c, marked)) is not { } earlier)
            return false;
        if (earlier.Content is not { } content)
            throw new RefusedException(
                "Idempotency-Key",
                "A request with this key was carried out before, and its answer cannot be told again; look at what "
                    + "stands in the books, and use a new key for a new request."
            );
        context.Response.Headers["Idempotency-Replayed"] = "true";
        context.Response.StatusCode = earlier.Status;
        context.Response.ContentType = earlier.Type;
        await context.Response.Body.WriteAsync(content, context.RequestAborted);
        return true;
    }

    // Method, address and content, with their lengths, so that no two requests look alike.
    private static async Task<byte[]> Asked(HttpContext context)
    {
        var request = context.Request;
        using var asked = new MemoryStream();
        asked.Write(
            Encoding.UTF8.GetBytes($"{request.Method} {request.Path}{request.QueryString}\n{request.Headers.IfMatch}\n")
        );
        if (context.GetEndpoint()?.Metadata.GetMetadata<HoldsSecret>() is not null)
            return asked.ToArray();
        request.EnableBuffering();
        var buffer = new byte[81_920];
        int read;
        while ((read = await request.Body.ReadAsync(buffer, context.RequestAborted)) > 0 && asked.Length < MostBytes)
            asked.Write(buffer, 0, read);
        request.Body.Position = 0;
        return asked.ToArray();
    }
}
