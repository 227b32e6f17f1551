namespace KiteLine.Core;

/// <summary>From which day charged days count once the wait is over.</summary>
public enum CountFrom
{
    /// <summary>From the due date: the wait is charged after all when it is exceeded.</summary>
    DueDate,

    /// <summary>From the end of the wait: its days stay free.</summary>
    EndOfWait,
}
