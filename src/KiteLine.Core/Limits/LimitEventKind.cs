namespace KiteLine.Core;

/// <summary>A row in the history of a limit: a limit or an uplift that was set, or the state the account was given.</summary>
public enum LimitEventKind
{
    /// <summary>A standing limit.</summary>
    Limit,

    /// <summary>An uplift.</summary>
    Uplift,

    /// <summary>The account was opened to supply.</summary>
    Open,

    /// <summary>The account was put on watch.</summary>
    Watch,

    /// <summary>The account was stopped.</summary>
    Stop,
}
