namespace KiteLine.Web;

/// <summary>What became of a limit that somebody set.</summary>
internal enum LimitOutcome
{
    /// <summary>It is set.</summary>
    Set,

    /// <summary>It lies above the authority of who set it, and waits for somebody else’s approval.</summary>
    Asked,
}
