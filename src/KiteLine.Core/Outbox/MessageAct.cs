namespace KiteLine.Core;

/// <summary>What somebody may do about a message.</summary>
public enum MessageAct
{
    /// <summary>Hold it back before it goes out.</summary>
    Hold,

    /// <summary>Let one go out that was held back.</summary>
    Release,

    /// <summary>Try one again that failed, or of which nobody knows whether it went out.</summary>
    TryAgain,

    /// <summary>Say of one of which nobody knows that it arrived.</summary>
    Arrived,

    /// <summary>Say that it was printed.</summary>
    Printed,

    /// <summary>Let it not go out at all.</summary>
    Withdraw,
}
