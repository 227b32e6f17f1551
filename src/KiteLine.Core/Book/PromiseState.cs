namespace KiteLine.Core;

/// <summary>How a promise to pay stands.</summary>
public enum PromiseState
{
    /// <summary>Its day has not passed.</summary>
    Waiting,

    /// <summary>All of it came in.</summary>
    Kept,

    /// <summary>Its day has passed and a part came in.</summary>
    PartKept,

    /// <summary>Its day has passed and nothing came in.</summary>
    Broken,

    /// <summary>It was withdrawn, as one that was noted by mistake.</summary>
    Withdrawn,

    /// <summary>A later promise that names it took its place: it counts as neither kept nor broken.</summary>
    Replaced,

    /// <summary>It was broken, and all of it came in since.</summary>
    KeptLate,
}
