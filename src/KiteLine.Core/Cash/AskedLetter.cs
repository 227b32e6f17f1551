namespace KiteLine.Core;

/// <summary>A reminder that stands and asks for more than its items: a fee or interest that are only shown in it.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Date">Its date; what has value before did not pay it.</param>
/// <param name="Level">Its level.</param>
/// <param name="Items">The items that it asks for and of which something is open, with what it posted itself.</param>
/// <param name="Fee">The fees that it shows without posting them; zero for none.</param>
/// <param name="Interest">The late charge that it shows without posting it, with tax; zero for none.</param>
/// <param name="InterestOf">What of that stands beside each item, with tax; below zero where it corrects.</param>
public sealed record AskedLetter(
    string Number,
    DateOnly Date,
    int Level,
    IReadOnlyCollection<long> Items,
    Money Fee,
    Money Interest,
    IReadOnlyDictionary<long, Money> InterestOf
)
{
    /// <summary>What it asks for beyond its items.</summary>
    public Money Shown => Fee + Interest;

    /// <summary>
    /// The letter that a payment of some items pays in full: the latest whose open items they are, all of them, and which asks
    /// for just what was paid beyond what they owe; null for none. Items that match the payment by themselves pay no letter.
    /// </summary>
    /// <param name="paid">What was paid.</param>
    /// <param name="items">The items with what they need on the value date.</param>
    /// <param name="letters">The latest first.</param>
    public static AskedLetter? PaidBy(
        Money paid,
        DateOnly valueDate,
        IReadOnlyList<(long Id, ItemNeed Need)> items,
        IReadOnlyList<AskedLetter> letters,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(letters);
        if (letters.Count == 0 || items.Count == 0)
            return null;
        var ids = items.Select(i => i.Id).ToHashSet();
        var over = items.Aggregate(paid, (rest, i) => rest - i.Need.Open);
        var letter = letters.FirstOrDefault(l => l.Date <= valueDate && l.Shown == over && ids.SetEquals(l.Items));
        return
            letter is null || ItemsSettlement.Matched(paid, [.. items.Select(i => i.Need)], rounding, out _) is not null
            ? null
            : letter;
    }
}
