namespace KiteLine.Core;

/// <summary>How far a run has come.</summary>
public enum RunState
{
    /// <summary>What it comes to is being worked out.</summary>
    Proposing,

    /// <summary>It is there to be read and changed; nothing is posted.</summary>
    Proposed,

    /// <summary>It is posted account by account.</summary>
    Posting,

    /// <summary>Somebody stopped it between two accounts; it can go on.</summary>
    Stopped,

    /// <summary>All that could be posted is posted.</summary>
    Posted,

    /// <summary>It was given up before anything was posted.</summary>
    Discarded,

    /// <summary>What it posted is taken back account by account.</summary>
    Reversing,

    /// <summary>All that it posted was taken back.</summary>
    Reversed,
}
