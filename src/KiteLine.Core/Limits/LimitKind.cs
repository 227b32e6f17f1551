namespace KiteLine.Core;

/// <summary>What is set, or asked for: a standing limit, or an amount on top of it for a time.</summary>
public enum LimitKind
{
    /// <summary>The standing limit from a day on.</summary>
    Limit,

    /// <summary>Added to the standing limit, up to its last day.</summary>
    Uplift,
}
