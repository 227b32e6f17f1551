namespace KiteLine.Core;

/// <summary>Whether an account may be supplied.</summary>
public enum AccountState
{
    /// <summary>Supplied as usual.</summary>
    Open,

    /// <summary>Supplied, but every check is shown even when it passes.</summary>
    Watch,

    /// <summary>No new supply.</summary>
    Stop,
}
