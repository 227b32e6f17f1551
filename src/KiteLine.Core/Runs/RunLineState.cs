namespace KiteLine.Core;

/// <summary>How one account of a run stands.</summary>
public enum RunLineState
{
    /// <summary>To be posted.</summary>
    Ready,

    /// <summary>Left out, by the rules or by a person.</summary>
    LeftOut,

    /// <summary>Something changed after it was proposed; it is proposed anew and waits to be looked at.</summary>
    Changed,

    /// <summary>It could not be posted; the reason stands beside it.</summary>
    Failed,

    /// <summary>Posted.</summary>
    Posted,

    /// <summary>Posted and taken back.</summary>
    Reversed,
}
