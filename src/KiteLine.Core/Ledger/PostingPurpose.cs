namespace KiteLine.Core;

/// <summary>What a posting account is for. The company gives each purpose an account number of its own.</summary>
public enum PostingPurpose
{
    /// <summary>What customers owe.</summary>
    Receivables,

    /// <summary>Money whose use is not known yet.</summary>
    CashOnAccount,

    /// <summary>Money in the bank.</summary>
    Bank,

    /// <summary>Sales without tax.</summary>
    Sales,

    /// <summary>Tax on sales.</summary>
    OutputTax,

    /// <summary>Discounts that customers took.</summary>
    DiscountsAllowed,

    /// <summary>Rests that were written off.</summary>
    SmallDifferences,

    /// <summary>Late charges.</summary>
    LateChargeIncome,

    /// <summary>Reminder fees.</summary>
    FeeIncome,

    /// <summary>The other side of opening items.</summary>
    OpeningBalances,

    /// <summary>Money whose payer is not known yet.</summary>
    UnassignedReceipts,

    /// <summary>Debts that will not be paid.</summary>
    BadDebts,

    /// <summary>Money that was paid back and that the bank has not booked yet.</summary>
    RefundsInTransit,
}
