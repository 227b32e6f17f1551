namespace KiteLine.Core;

/// <summary>The reason that everything gives which somebody may ask about later.</summary>
public static class Reason
{
    /// <summary>The longest reason, in characters.</summary>
    public const int Longest = 500;

    /// <exception cref="RefusedException">There is none, or it is too long.</exception>
    public static void Needed(string reason)
    {
        if (string.IsNullOrWhiteSpace(reason))
            throw new RefusedException("reason", "Give the reason, in a few words.");
        if (reason.Length > Longest)
            throw new RefusedException("reason", $"A reason has up to {Longest} characters.");
    }
}
