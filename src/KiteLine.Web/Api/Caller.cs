using System.Globalization;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Who is calling, and the marks a request carries.</summary>
internal static class Caller
{
    private static readonly object ActorKey = new();
    private static readonly object UserKey = new();

    /// <summary>Notes who calls, once that is known.</summary>
    internal static void Known(this HttpContext context, Actor actor, User? user)
    {
        context.Items[ActorKey] = actor;
        context.Items[UserKey] = user;
    }

    /// <summary>Who calls, or null when nobody is known.</summary>
    internal static Actor? KnownActor(this HttpContext context) => context.Items[ActorKey] as Actor;

    /// <summary>The person who calls, or null when it is a program or nobody known.</summary>
    internal static User? Person(this HttpContext context) => context.Items[UserKey] as User;

    /// <summary>Who does what is asked. Endpoints that write are open to known callers only.</summary>
    internal static Actor Who(this HttpContext context) =>
        context.KnownActor()
        ?? throw new InvalidOperationException("This endpoint writes and is open to nobody known.");

    /// <summary>The version a change is based on, from <c>If-Match</c>.</summary>
    internal static long Version(this HttpContext context)
    {
        var text = context.Request.Headers.IfMatch.ToString().Trim('"', ' ');
        return long.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var version)
            ? version
            : throw new Core.RefusedException(
                "If-Match",
                "Send the version you read in the If-Match header, so that nobody's change is lost."
            );
    }
}
