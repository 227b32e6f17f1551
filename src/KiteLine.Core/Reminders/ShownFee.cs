namespace KiteLine.Core;

/// <summary>A reminder fee that a letter asks for without posting it, and that still stands.</summary>
public sealed record ShownFee(string Reminder, DateOnly Date, Money Amount)
{
    /// <summary>
    /// The shown fees that stand on a day: of letters dated up to it, while one of their items is open by value, and
    /// not replaced by the fee of a later letter on the same items. A fee that was posted replaces none.
    /// </summary>
    /// <param name="letters">In the order in which they were issued; without those that were cancelled.</param>
    /// <param name="items">The account's items, closed ones too.</param>
    public static IReadOnlyList<ShownFee> On(
        IReadOnlyList<SentReminder> letters,
        IReadOnlyList<Item> items,
        DateOnly day
    )
    {
        ArgumentNullException.ThrowIfNull(letters);
        ArgumentNullException.ThrowIfNull(items);
        var shown = letters.Where(l => l.Date <= day && l.Fee.Minor > 0 && !l.FeePosted).ToArray();
        if (shown.Length == 0)
            return [];
        var open = items.Where(i => i.OpenByValue(day).Minor > 0).Select(i => i.Id).ToHashSet();
        var standing = new List<ShownFee>();
        for (var n = 0; n < shown.Length; n++)
        {
            var letter = shown[n];
            if (!letter.Moving.Any(open.Contains))
                continue;
            if (shown.Skip(n + 1).Any(later => later.Replaces && later.Moving.Intersect(letter.Moving).Any()))
                continue;
            standing.Add(new(letter.Number, letter.Date, letter.Fee));
        }

        return standing;
    }
}
