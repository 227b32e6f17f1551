namespace KiteLine.Core;

/// <summary>How far a what-if has come.</summary>
public enum WhatIfState
{
    /// <summary>It is worked out, or waits for its turn.</summary>
    AtWork,

    /// <summary>Its result is there.</summary>
    Done,

    /// <summary>Somebody stopped it.</summary>
    Stopped,

    /// <summary>It could not be worked out.</summary>
    Failed,
}
