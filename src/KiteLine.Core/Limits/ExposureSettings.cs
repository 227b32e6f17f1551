namespace KiteLine.Core;

/// <summary>What a company counts towards exposure.</summary>
/// <param name="CreditsReduce">Credit notes and money on account reduce exposure.</param>
/// <param name="ChargesCount">Late charges and reminder fees that were raised count.</param>
/// <param name="DisputedCount">What the customer disputes counts.</param>
/// <param name="UnclearedCount">A receipt counts as owed until its payment method's days to clear are over.</param>
public sealed record ExposureSettings(
    bool CreditsReduce = true,
    bool ChargesCount = true,
    bool DisputedCount = true,
    bool UnclearedCount = false
)
{
    /// <summary>Whether an item of this kind is part of exposure.</summary>
    public bool Counts(ItemKind kind) =>
        kind switch
        {
            ItemKind.Invoice or ItemKind.Refund => true,
            ItemKind.CreditNote or ItemKind.Receipt => CreditsReduce,
            ItemKind.LateCharge or ItemKind.ReminderFee or ItemKind.BankFee => ChargesCount,
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };
}
