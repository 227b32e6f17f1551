namespace KiteLine.Core;

/// <summary>What a posting account is for. The company gives each purpose an account number of its own.</summary>
public enum PostingPurpose
{
    Receivables,
    CashOnAccount,
    Bank,
    Sales,
    OutputTax,
    DiscountsAllowed,
    SmallDifferences,
    LateChargeIncome,
    FeeIncome,
    OpeningBalances,
}
