namespace KiteLine.Core;

/// <summary>What a controller decided about the late charge of one account otherwise than its policy.</summary>
/// <param name="LeaveOut">Items that are not charged now; they accrue on.</param>
/// <param name="CutTo">The most that an item is charged, corrections aside; what is cut off is never charged.</param>
public sealed record ChargeChanges(IReadOnlyCollection<long> LeaveOut, IReadOnlyDictionary<long, Money> CutTo)
{
    /// <summary>All as the policy says.</summary>
    public static ChargeChanges None { get; } = Without([]);

    /// <summary>Some items are left out.</summary>
    public static ChargeChanges Without(IReadOnlyCollection<long> items) => new(items, new Dictionary<long, Money>());

    /// <summary>The lines with the changes made.</summary>
    public IReadOnlyList<ItemCharge> Of(IReadOnlyList<ItemCharge> lines)
    {
        ArgumentNullException.ThrowIfNull(lines);
        return
        [
            .. lines
                .Where(l => !LeaveOut.Contains(l.Item.Id))
                .Select(l => CutTo.TryGetValue(l.Item.Id, out var most) ? l.CutTo(most) : l),
        ];
    }
}
