namespace KiteLine.Core;

/// <summary>What a person may ask of a run.</summary>
public enum RunAct
{
    /// <summary>Change what is proposed for an account.</summary>
    Change,

    /// <summary>Post it, or go on where it was stopped.</summary>
    Post,

    /// <summary>Stop it between two accounts.</summary>
    Stop,

    /// <summary>Give it up before anything was posted.</summary>
    Discard,

    /// <summary>Take back what it posted, whole or for one account.</summary>
    Reverse,
}
