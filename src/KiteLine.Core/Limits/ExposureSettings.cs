namespace KiteLine.Core;

/// <summary>What a company counts towards exposure.</summary>
/// <param name="CreditsReduce">Credit notes and money on account reduce exposure.</param>
/// <param name="ChargesCount">Late charges and reminder fees that were raised count.</param>
public sealed record ExposureSettings(bool CreditsReduce = true, bool ChargesCount = true)
{
    /// <summary>Whether an item of this kind is part of exposure.</summary>
    public bool Counts(ItemKind kind) => kind switch
    {
        ItemKind.Invoice => true,
        ItemKind.CreditNote or ItemKind.Receipt => CreditsReduce,
        ItemKind.LateCharge or ItemKind.ReminderFee => ChargesCount,
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };
}
