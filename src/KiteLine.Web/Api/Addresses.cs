namespace KiteLine.Web;

/// <summary>Names in addresses as they are, whatever they hold.</summary>
internal static class Addresses
{
    private const string Slash = "%2F";

    /// <summary>
    /// A server leaves a slash within a name as it was sent, so that it does not part the address; everything else it
    /// has read already. Here, once the address is parted, it becomes a slash again.
    /// </summary>
    internal static Task Slashes(HttpContext context, RequestDelegate next)
    {
        foreach (var (name, value) in context.Request.RouteValues.ToArray())
            if (value is string text && text.Contains(Slash, StringComparison.OrdinalIgnoreCase))
                context.Request.RouteValues[name] = text.Replace(Slash, "/", StringComparison.OrdinalIgnoreCase);
        return next(context);
    }
}
