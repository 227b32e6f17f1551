namespace KiteLine.Core;

/// <summary>Posting that undoes another.</summary>
public static class ReversalPosting
{
    /// <summary>
    /// Every line and movement with the opposite sign. Movements keep their value date, so that by value it is as if
    /// the original had never been; the books show it from the posting date on.
    /// </summary>
    /// <exception cref="RefusedException">No reason was given.</exception>
    public static Posting Of(
        IReadOnlyList<JournalLine> lines,
        IReadOnlyList<PostedMovement> movements,
        string reason,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(lines);
        ArgumentNullException.ThrowIfNull(movements);
        ArgumentNullException.ThrowIfNull(rules);
        Reason.Needed(reason);
        return new Posting
        {
            Kind = PostingKind.Reversal,
            PostingDate = rules.Today,
            Text = reason.Trim(),
            Movements =
            [
                .. movements.Select(m => new ItemMovement(
                    m.ItemId,
                    new(m.Movement.Kind, m.Movement.ValueDate, -m.Movement.Amount)
                )),
            ],
            Lines = [.. lines.Select(l => l with { Amount = -l.Amount })],
        }.Checked();
    }
}
