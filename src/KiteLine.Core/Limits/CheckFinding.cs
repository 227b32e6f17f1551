namespace KiteLine.Core;

/// <summary>What a credit check may find.</summary>
public enum CheckFinding
{
    /// <summary>The account would be over its limit.</summary>
    OverLimit,

    /// <summary>The account would be over its limit.</summary>
    GroupOverLimit,

    /// <summary>More is overdue, for longer, than the record allows.</summary>
    Overdue,

    /// <summary>The account is stopped.</summary>
    OnStop,

    /// <summary>The limit was to be looked at again.</summary>
    ReviewLapsed,

    /// <summary>The customer never confirmed its terms.</summary>
    TermsNotConfirmed,

    /// <summary>The latest promise was not kept.</summary>
    PromiseBroken,
}
