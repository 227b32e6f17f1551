namespace KiteLine.Core;

/// <summary>How the needs of chosen items compare with the cash.</summary>
public enum SettlementMatch
{
    /// <summary>They do not match; the items are filled one after the other.</summary>
    Filled,

    /// <summary>They match in one way, each item in full or less its discount in force.</summary>
    Exact,

    /// <summary>They match in several ways, by other choices among the discounts.</summary>
    OneOfSeveral,

    /// <summary>They match with a difference that the short-payment allowance writes off.</summary>
    WithinAllowance,
}
