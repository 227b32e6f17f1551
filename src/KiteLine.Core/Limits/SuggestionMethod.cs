namespace KiteLine.Core;

/// <summary>By what a limit is suggested.</summary>
public enum SuggestionMethod
{
    /// <summary>What the customer bought of late.</summary>
    Sales,

    /// <summary>What a credit agency recommends.</summary>
    Agency,

    /// <summary>A share of the customer’s net worth.</summary>
    NetWorth,
}
