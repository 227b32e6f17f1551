using System.Runtime;

namespace KiteLine.Store;

/// <summary>
/// Keeps the collector from its work while something is made of which nearly everything stays, such as a whole book: it
/// would go through all of it again and again and find next to nothing to free.
/// </summary>
internal static class Uncollected
{
    // What a runtime of any size gives at once; beyond it the collector works as ever.
    private const long Most = 200_000_000;

    // Less than this is made before the collector would begin.
    private const long Least = 16_000_000;

    /// <param name="bytes">About how much is made.</param>
    internal static T While<T>(long bytes, Func<T> make)
    {
        var begun = bytes >= Least && Begin(Math.Min(bytes, Most));
        try
        {
            return make();
        }
        finally
        {
            if (begun)
                End();
        }
    }

    private static bool Begin(long bytes)
    {
        try
        {
            return GC.TryStartNoGCRegion(bytes);
        }
        catch (Exception e) when (e is InvalidOperationException or ArgumentOutOfRangeException)
        {
            // Somebody else is at it, or this machine has not that much; then it is collected meanwhile.
            return false;
        }
    }

    private static void End()
    {
        // It ended by itself where more was made than was said.
        if (GCSettings.LatencyMode != GCLatencyMode.NoGCRegion)
            return;
        try
        {
            GC.EndNoGCRegion();
        }
        catch (InvalidOperationException)
        {
            // Just now.
        }
    }
}
