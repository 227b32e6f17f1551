namespace KiteLine.Core;

/// <summary>What may stand on one slip of money that is banked together.</summary>
public static class BankingSlip
{
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
