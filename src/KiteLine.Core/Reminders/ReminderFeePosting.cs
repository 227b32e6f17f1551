namespace KiteLine.Core;

/// <summary>Posting of a reminder's fee.</summary>
public static class ReminderFeePosting
{
    /// <summary>The fee as a debit item that falls due on the letter's pay-by date.</summary>
    public static Posting Of(Money fee, int level, DateOnly date, DateOnly payBy) => LateChargePosting.Debit(
        PostingKind.ReminderFee, ItemKind.ReminderFee, $"Fee of reminder level {level}", fee, Money.Zero(fee.Currency), date, payBy, PostingPurpose.FeeIncome);
}
