namespace KiteLine.Core;

/// <summary>
/// One posting account over a period, for one purpose and in one currency. Debits are positive; a balance on the credit
/// side is negative.
/// </summary>
/// <param name="Account">The account number; empty where the company gives the purpose none.</param>
/// <param name="Opening">The balance before the first day of the period, by posting date.</param>
/// <param name="Debits">What was debited in the period, never negative.</param>
/// <param name="Credits">What was credited in the period, never negative.</param>
/// <param name="Lines">How many journal lines of the period make up the two.</param>
public sealed record JournalBalance(
    string Account,
    PostingPurpose Purpose,
    Money Opening,
    Money Debits,
    Money Credits,
    long Lines
)
{
    /// <summary>Whether it is of what customers owe, less what they have on account.</summary>
    public bool IsCustomers => JournalLine.AreCustomers(Purpose);

    /// <summary>The balance at the end of the last day of the period.</summary>
    public Money Closing => Opening + Debits - Credits;

    /// <summary>
    /// Whether it belongs to the result of a period (income and what lessens it) and not to what the company has and owes.
    /// </summary>
    public bool OnResult =>
        Purpose switch
        {
            PostingPurpose.Sales
            or PostingPurpose.DiscountsAllowed
            or PostingPurpose.SmallDifferences
            or PostingPurpose.BadDebts
            or PostingPurpose.LateChargeIncome
            or PostingPurpose.FeeIncome => true,
            PostingPurpose.Receivables
            or PostingPurpose.CashOnAccount
            or PostingPurpose.UnassignedReceipts
            or PostingPurpose.RefundsInTransit
            or PostingPurpose.Bank
            or PostingPurpose.OutputTax
            or PostingPurpose.OpeningBalances => false,
            _ => throw new ArgumentOutOfRangeException(nameof(Purpose), Purpose, null),
        };

    /// <summary>What the period adds to the result: above zero for income, below for what lessens it; zero for an account
    /// that does not belong to the result.</summary>
    public Money Effect => OnResult ? Credits - Debits : Money.Zero(Debits.Currency);
}
