namespace KiteLine.Core;

/// <summary>What the controller decided about the discount of one item in a payment.</summary>
public enum DiscountChoice
{
    /// <summary>As the rules propose: taken when it is in force and the cash then settles the item.</summary>
    Proposed,

    /// <summary>
    /// Granted although the rules would not: one that was not taken, or one taken late, with a reason.
    /// </summary>
    Grant,

    /// <summary>Not given.</summary>
    Refuse,
}
