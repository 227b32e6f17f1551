using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What measures need of an account beside its items and movements.</summary>
/// <param name="PaidBefore">What was settled before the books began.</param>
/// <param name="Discounts">What became of the discounts of its items.</param>
public sealed record AccountHistory(IReadOnlyList<PaidBefore> PaidBefore, IReadOnlyList<ItemDiscountOutcome> Discounts)
{
    /// <summary>Nothing of either.</summary>
    public static AccountHistory None { get; } = new([], []);
}
