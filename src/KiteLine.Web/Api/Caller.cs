namespace KiteLine.Web;

/// <summary>Who is calling, and the marks a request carries.</summary>
internal static class Caller
{
    /// <summary>The name that goes into the books. One person uses the program until there is sign-in.</summary>
    internal static string Who(this HttpContext context) => "controller";

    /// <summary>The version a change is based on, from <c>If-Match</c>.</summary>
    internal static long Version(this HttpContext context)
    {
        var text = context.Request.Headers.IfMatch.ToString().Trim('"', ' ');
        return long.TryParse(text, out var version) ? version
            : throw new Core.RefusedException("If-Match", "Send the version you read in the If-Match header, so that nobody's change is lost.");
    }
}
