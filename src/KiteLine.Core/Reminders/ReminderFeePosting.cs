namespace KiteLine.Core;

/// <summary>Posting of a reminder's fee.</summary>
public static class ReminderFeePosting
{
    /// <summary>The fee as a debit item that falls due on the letter's pay-by date.</summary>
    /// <param name="date">The letter's date; the posting is of the business date.</param>
    public static Posting Of(Money fee, int level, DateOnly date, DateOnly payBy, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        return LateChargePosting.Debit(
            PostingKind.ReminderFee,
            ItemKind.ReminderFee,
            $"Fee of reminder level {level}",
            fee,
            Money.Zero(fee.Currency),
            date,
            payBy,
            PostingPurpose.FeeIncome
        ) with
        {
            PostingDate = rules.Today,
        };
    }
}
