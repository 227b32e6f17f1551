namespace KiteLine.Core;

/// <summary>How a late charge grows.</summary>
public enum ChargeMethod
{
    /// <summary>With every day, by an annual rate.</summary>
    Daily,

    /// <summary>With every month, by a percentage of what is overdue.</summary>
    Monthly,
}
