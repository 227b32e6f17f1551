namespace KiteLine.Core;

/// <summary>What a controller decides about one account of a run.</summary>
public enum RunChangeKind
{
    /// <summary>The account is left out.</summary>
    LeaveOut,

    /// <summary>It goes ahead again after a person had left it out.</summary>
    PutBack,

    /// <summary>It goes ahead although the rules hold it back.</summary>
    TakeIn,

    /// <summary>One of its items is left out.</summary>
    LeaveOutItem,

    /// <summary>An item that was left out or cut is as the rules say again.</summary>
    PutBackItem,

    /// <summary>The charge of an item is cut; what is cut off is never charged.</summary>
    CutItem,

    /// <summary>The letter speaks at another level.</summary>
    SetLevel,

    /// <summary>What is proposed anew is right; or it is to be worked out again.</summary>
    Confirm,
}
