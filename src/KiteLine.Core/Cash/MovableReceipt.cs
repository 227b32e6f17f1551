namespace KiteLine.Core;

/// <summary>A receipt as it stands on its account, for moving it to another one.</summary>
/// <param name="Item">The credit that it is on the account.</param>
/// <param name="Settles">What it settles, as it stands; refunds are left out, since what was paid back is gone.</param>
public sealed record MovableReceipt(Item Item, IReadOnlyList<(Allocation Allocation, ItemDetail Debit)> Settles)
{
    /// <summary>The receipt with all that was set against it.</summary>
    /// <param name="settled">Links that stand, with the items that they settle.</param>
    public static MovableReceipt Of(Item item, IEnumerable<(Allocation Allocation, ItemDetail Debit)> settled) =>
        new(item, [.. settled.Where(s => s.Debit.Item.Kind != ItemKind.Refund)]);

    /// <summary>What is on account: it can be moved without undoing anything.</summary>
    public Money Free => -Item.Left;

    /// <summary>All of it that was neither paid back nor moved before.</summary>
    public Money Most => Settles.Aggregate(Free, (sum, s) => sum + s.Allocation.Cash);
}
