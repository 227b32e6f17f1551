namespace KiteLine.Core;

/// <summary>What becomes of a computed date that is not a business day.</summary>
public enum BusinessDayRule
{
    /// <summary>The date stays as computed.</summary>
    Keep,

    /// <summary>The next business day (ISDA "following").</summary>
    Next,

    /// <summary>The previous business day (ISDA "preceding").</summary>
    Previous,
}
