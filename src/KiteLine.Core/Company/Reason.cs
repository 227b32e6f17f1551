namespace KiteLine.Core;

/// <summary>The reason that everything gives which somebody may ask about later.</summary>
public static class Reason
{
    /// <exception cref="RefusedException">There is none.</exception>
    public static void Needed(string reason)
    {
        if (string.IsNullOrWhiteSpace(reason)) throw new RefusedException("reason", "Give the reason, in a few words.");
    }
}
