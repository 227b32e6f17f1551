namespace KiteLine.Core;

/// <summary>Which balance rate bands are measured on.</summary>
public enum BandsOn
{
    /// <summary>Each item's own.</summary>
    Item,

    /// <summary>All that the account has overdue on the day, shared over its items by amount.</summary>
    Account,
}
