namespace KiteLine.Core;

/// <summary>Posting that charges a customer what the bank took for a payment that came back.</summary>
public static class BankFeePosting
{
    /// <summary>The fee is due at once and bears no tax, since it is passed on as it was taken.</summary>
    /// <param name="reversed">What was taken back.</param>
    /// <param name="receipt">Number of the receipt.</param>
    /// <exception cref="RefusedException">What was taken back is no receipt, or the fee is not above zero.</exception>
    public static Posting Of(Money fee, PostingKind reversed, string receipt, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        if (reversed != PostingKind.Receipt)
            throw new RefusedException("bankFee", "Only a receipt bounces; leave the bank's fee out.");
        if (fee.Minor <= 0)
            throw new RefusedException("bankFee", "Give the fee that the bank took, above zero, or leave it out.");
        return LateChargePosting.Debit(
            PostingKind.BankFee,
            ItemKind.BankFee,
            $"Bank's fee, {receipt} came back",
            fee,
            Money.Zero(fee.Currency),
            rules.Today,
            rules.Today,
            PostingPurpose.FeeIncome
        );
    }
}
