namespace KiteLine.Core;

/// <summary>
/// The journal entries that go to the general ledger together. Each begins after the last of the one before, so that no
/// entry is handed over twice or left out.
/// </summary>
/// <param name="First">The first entry.</param>
/// <param name="Last">The last entry.</param>
public readonly record struct HandOverRange(long First, long Last)
{
    /// <summary>Everything that was posted since the last hand-over.</summary>
    /// <param name="handedOver">The last entry that was handed over; 0 when none was.</param>
    /// <param name="newest">The newest entry in the books; 0 when there is none.</param>
    /// <exception cref="RefusedException">Nothing was posted since.</exception>
    public static HandOverRange After(long handedOver, long newest) =>
        newest > handedOver
            ? new(handedOver + 1, newest)
            : throw new RefusedException(
                "journal",
                "Nothing was posted since the last hand-over; its file can be downloaded again."
            );
}
