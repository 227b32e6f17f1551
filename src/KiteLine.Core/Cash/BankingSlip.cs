namespace KiteLine.Core;

/// <summary>What may stand on one slip of money that is banked together.</summary>
public static class BankingSlip
{
    /// <summary>The most receipts that stand on one slip: ten printed pages.</summary>
    public const int MostReceipts = 300;

    /// <summary>Refuses to change a slip that the bank has credited: what it credited is the slip as it was.</summary>
    /// <exception cref="RefusedException">It has.</exception>
    public static void RefuseOnceCredited(string number, bool credited)
    {
        if (credited)
            throw new RefusedException(
                "slip",
                $"The bank has credited the slip {number} already; reverse what is wrong on it instead."
            );
    }

    /// <summary>What is said before a receipt is reversed that stands on a slip.</summary>
    public static string OnSlip(string number, bool credited, Money expected, Money amount)
    {
        return credited
            ? $"It stands on the paying-in slip {number}, which the bank has credited; the slip stays as it is."
            : $"It stands on the paying-in slip {number}; the bank is to credit {expected - amount} instead of {expected}.";
    }

    /// <param name="receipts">Method and currency of each.</param>
    /// <param name="bank">The currency of the bank account that they are paid in to.</param>
    /// <exception cref="RefusedException">They were taken by several methods, or one is in another currency than the bank
    /// account: the bank credits each kind apart.</exception>
    public static void RefuseUnlessTogether(IReadOnlyList<(string Method, Currency Currency)> receipts, Currency bank)
    {
        ArgumentNullException.ThrowIfNull(receipts);
        ArgumentNullException.ThrowIfNull(bank);
        if (receipts.Select(r => r.Method).Distinct(StringComparer.Ordinal).Count() > 1)
            throw new RefusedException("receipts", "A slip holds money taken by one method; write one for each.");
        if (receipts.FirstOrDefault(r => !ReferenceEquals(r.Currency, bank)).Currency is { } other)
            throw new RefusedException(
                "account",
                $"The bank account is kept in {bank.Code}, a receipt is in {other.Code}; choose an account in that currency."
            );
    }
}
