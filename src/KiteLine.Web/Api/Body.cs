using KiteLine.Core;
using Microsoft.AspNetCore.Mvc;

namespace KiteLine.Web;

/// <summary>Reads a request's body as bytes, up to a size.</summary>
internal static class Body
{
    /// <summary>Marks an endpoint whose request is a file, larger than other requests may be.</summary>
    internal static TBuilder TakesFile<TBuilder>(this TBuilder endpoint, int most)
        where TBuilder : IEndpointConventionBuilder =>
        // A little more, so that what is larger is refused in words by who reads it.
        endpoint.WithMetadata(new RequestSizeLimitAttribute(most + 4096L));

    /// <exception cref="RefusedException">It is larger; names the field and the size.</exception>
    internal static async Task<byte[]> ReadAsync(HttpRequest request, int most, string field)
    {
        using var into = new MemoryStream();
        var buffer = new byte[81_920];
        int read;
        while ((read = await request.Body.ReadAsync(buffer, request.HttpContext.RequestAborted)) > 0)
        {
            if (into.Length + read > most)
                throw new RefusedException(field, $"A file has up to {most / 1024 / 1024} MB; this one is larger.");
            into.Write(buffer, 0, read);
        }

        return into.ToArray();
    }
}
